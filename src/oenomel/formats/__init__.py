"""Open formats: recipes and tables read from any of them, drinks written in each."""
