"""ASGI middleware: security headers and static files, the size of a body, which device may come in."""
