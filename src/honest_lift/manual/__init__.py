"""The manual: pages as text, and the drawings they show. Parts of them are drawn by `tools/write_manual.py`."""
