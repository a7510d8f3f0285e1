"""HTTP: FastAPI under /api, the built front end beside it."""
