"""ASGI middleware: security headers, static files, the size of bodies, and which devices may connect."""
