"""What a desktop is given: the menu entry, the file type, the metadata and the icons. All drawn and written for this program."""
