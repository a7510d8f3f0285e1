"""The data file: SQLite through plain SQL, a module a subject. Functions take the connection first and never commit."""
