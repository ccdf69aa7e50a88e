"""What the service and the command line answer, as JSON and in sentences."""
