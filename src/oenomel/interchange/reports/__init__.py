"""What the product answers, as JSON."""
