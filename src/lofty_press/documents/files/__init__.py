"""Files that come in and go out, read strictly."""
