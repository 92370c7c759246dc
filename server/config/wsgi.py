"""What the web server serves."""

import os

from django.core.wsgi import get_wsgi_application

from ferment.model.runs import warm_up

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "config.settings")
application = get_wsgi_application()
# Before the workers are forked, so that they share it and the first baker does not wait for it.
warm_up()
