"""Request bodies of the API."""
