"""The data file: SQLite through plain SQL, a module an aggregate. Functions take the connection first and never commit."""
