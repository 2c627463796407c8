"""Documents: one HTML that carries its style, its fonts and its drawings, for screen, print and PDF.

- `page`    a template filled in
- `pdf`     the same page as PDF, by WeasyPrint
- `answered`   an HTML or PDF as it goes over the wire
- `NoPdf`   the libraries that make one are not installed
"""

from __future__ import annotations

import base64
from functools import lru_cache
from pathlib import Path
from typing import Any, Literal

from flask import Response
from jinja2 import Environment, FileSystemLoader, StrictUndefined, select_autoescape
from markupsafe import Markup

from liftbite.api.jobs.models import FigureOut, ShownOut
from liftbite.api.paper import drawn
from liftbite.api.waiting import wait_for
from liftbite.core.errors import LiftBiteError
from liftbite.core.units.preference import wanted

_HERE = Path(__file__).parent
_FACES = (("Archivo", "100 900", "archivo"), ("B612", "400", "b612"), ("B612", "700", "b612-bold"))
#: A document has no script and reaches for nothing: what it needs it carries.
_POLICY = (
    "default-src 'none'; style-src 'unsafe-inline'; font-src data:; img-src data:; base-uri 'none'; "
    "form-action 'none'; frame-ancestors 'self'"
)


class NoPdf(LiftBiteError):
    """WeasyPrint's own libraries are missing on this machine."""


def page(template: str, *, night: bool = False, **context: Any) -> str:
    """A template of `templates` filled in.

    Parameters
    ----------
    template : its name without ending
    night : True for the night print; paper is printed as by day all the same
    context : what the template asks for; a name it asks for that is missing is an error
    """
    found = _environment().get_template(f"{template}.html.j2")
    return found.render(style=_style(), night=night, figure=_figure, **context)


def pdf(html: str) -> bytes:
    """A page as PDF.

    Raises
    ------
    NoPdf : Pango is not installed
    """
    try:
        from weasyprint import HTML
        from weasyprint.urls import URLFetcher
    except OSError as error:
        raise NoPdf(
            "A PDF needs the library Pango, which is not installed here (on Debian: libpango-1.0-0, libpangoft2-1.0-0 "
            "and fontconfig). Print the page instead."
        ) from error
    found: bytes = HTML(string=html, url_fetcher=URLFetcher(allowed_protocols={"data"})).write_pdf()
    return found


def answered(html: str, name: str, form: Literal["html", "pdf"], keep: bool = False) -> Response:
    """A document: shown in place, or to keep as a file of this name; a PDF is set in a process of its own."""
    if form == "pdf":
        response = Response(wait_for(pdf, html), 200, content_type="application/pdf")
    else:
        response = Response(html, 200, content_type="text/html; charset=utf-8")
    response.headers["Content-Security-Policy"] = _POLICY
    response.headers["X-Frame-Options"] = "SAMEORIGIN"
    how = "attachment" if keep or form == "pdf" else "inline"
    response.headers["Content-Disposition"] = f'{how}; filename="{name}.{form}"'
    return response


@lru_cache(maxsize=1)
def _environment() -> Environment:
    found = Environment(
        loader=FileSystemLoader(_HERE / "templates"),
        autoescape=select_autoescape(default=True, default_for_string=True),
        undefined=StrictUndefined,
        trim_blocks=True,
        lstrip_blocks=True,
    )
    found.filters["css"] = _css
    found.globals.update(glyph=drawn.glyph_svg, torque=drawn.torque_svg, section=drawn.section_svg)
    return found


@lru_cache(maxsize=1)
def _style() -> Markup:
    faces = "".join(
        f'@font-face{{font-family:"{family}";font-weight:{weight};font-stretch:62% 125%;'
        f"src:url(data:font/woff2;base64,{_font(file)}) format('woff2')}}"
        for family, weight, file in _FACES
    )
    return Markup(faces + (_HERE / "templates" / "paper.css").read_text("utf-8"))


def _css(words: str) -> Markup:
    """Words as a string of CSS, whatever stands in them."""
    return Markup('"' + "".join(c if c.isalnum() else f"\\{ord(c):x} " for c in words) + '"')


def _font(name: str) -> str:
    return base64.b64encode((_HERE / "fonts" / f"{name}.woff2").read_bytes()).decode("ascii")


def _one(shown: ShownOut) -> Markup:
    unit = Markup('<span class="unit">\u00a0{}</span>').format(shown.unit) if shown.unit else ""
    return Markup('<span class="figure">{}{}</span>').format(shown.figure, unit)


def _figure(value: FigureOut | None) -> Markup:
    """A figure in the units preferred; once where both systems write it alike."""
    if value is None:
        return Markup("—")
    first, *rest = dict.fromkeys(_one(getattr(value, system)) for system in wanted())
    return Markup('{} <span class="second">({})</span>').format(first, rest[0]) if rest else first
