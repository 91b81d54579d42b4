"""What was worked out of a book, remembered: by identity, by value, by what a book is narrowed to, and by what an edit touches."""
