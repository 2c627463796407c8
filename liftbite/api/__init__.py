"""HTTP in and out, by station: views, models and what answers look like stand together.

- `app`, `serving`   the application factory; the server it runs in, in use and in tests
- `jobs`             list, open, change, undo, ask backwards, working, files
- `brief`            a dynamometer file before it becomes a curve
- `choose`, `find`, `shelf`   the workbench, the finder, parts
- `measure`          the bench
- `record`           everything that was entered, read, ticked or said, by time
- `paths`, `gauging` what addresses name; gauges at data ports
- `document`         the OpenAPI document made readable
- `problems`         every error as a problem document (RFC 9457), mapped in one place
- `guard`            Host header, origin, security headers
- `turns`            who has to wait for long work, and in which order
- `common`           the store, the moment, ways to answer

Models are Pydantic's; the OpenAPI document that the web's types are made from follows from them.
"""
