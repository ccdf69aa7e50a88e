"""Jobs as files, and the plan that comes of one as JSON, calendar, drawing and pages."""
