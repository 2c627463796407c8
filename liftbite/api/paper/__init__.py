"""Paper: what is handed over, as one HTML for screen, print and PDF.

- `document`   a template with its style and fonts as one HTML; the same as PDF
- `drawn`      glyphs, section and torque as SVG
- `templates`  the pages, with `paper.css`, the one style of all of them
- `fonts`      the typefaces, carried in every document
"""
