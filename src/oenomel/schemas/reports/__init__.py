"""Bodies that the API answers with."""
