"""HTTP in and out: Pydantic models, one problem shape, an OpenAPI document that the web's types come from.

- `models`     what goes over the wire
- `present`    answers of the core to those models; the command line prints the same
- `problems`   every error as a problem document (RFC 9457), mapped in one place
- `guard`      Host header, origin, security headers
- `jobs`, `curves`, `catalogue`   the views
- `app`        the application factory
"""
