"""What the product is asked, as JSON."""
