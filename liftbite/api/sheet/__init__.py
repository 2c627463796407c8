"""The sheet: what of a job is handed over, as one document.

- `gathered`   everything a job's sheet says
- `views`      the sheet as HTML and as PDF
"""
