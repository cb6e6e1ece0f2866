"""The application as a WSGI server loads it. The runner (`verifex.work.runner`) works beside it."""

import os

from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "verifex.site.settings")
application = get_wsgi_application()
