"""File formats: text to records of the core and back, a module a format."""
