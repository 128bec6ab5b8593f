"""One scene for every drawing: what the page, the PDF and other files draw is the same, in real units."""
