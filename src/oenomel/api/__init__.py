"""The HTTP side: FastAPI under /api, and the built front end."""
