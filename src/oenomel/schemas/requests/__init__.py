"""Bodies that the API is sent."""
