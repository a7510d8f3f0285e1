"""Response bodies of the API."""
