"""Use cases over core and store, without HTTP: routers and the command line call the same ones."""
