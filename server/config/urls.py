"""The API under /api/; every other path is the application's page."""

from django.urls import URLPattern, URLResolver, path, re_path

from .api import api
from .pages import application

urlpatterns: list[URLPattern | URLResolver] = [
    path("api/", api.urls),
    re_path(r"^(?!api/|assets/|static/|media/).*$", application),
]

handler400 = "config.pages.bad_request"
handler403 = "config.pages.forbidden"
handler404 = "config.pages.missing"
handler500 = "config.pages.fault_of_ours"
