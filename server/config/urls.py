"""The API under /api/; every other path is the application's page."""

from django.urls import URLPattern, URLResolver, path, re_path

from .api import api
from .observed import live, ready
from .pages import application

urlpatterns: list[URLPattern | URLResolver] = [
    path("api/", api.urls),
    path("health/live", live),
    path("health/ready", ready),
    re_path(r"^(?!api/|assets/|python/|static/|media/|health/).*$", application),
]

handler400 = "config.pages.bad_request"
handler403 = "config.pages.forbidden"
handler404 = "config.pages.missing"
handler500 = "config.pages.fault_of_ours"
