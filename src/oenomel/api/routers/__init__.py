"""Routers, one a subject: they read the request, call a service and answer."""
