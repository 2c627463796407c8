"""The sheet: what of a job is handed over, as one document.

- `documents`  the papers of a job as documents
- `views`      the sheet as HTML and as PDF
"""
