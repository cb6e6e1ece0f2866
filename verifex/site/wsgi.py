"""The application as a WSGI server loads it: the interface, and the threads that work through what waits."""

import os

from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "verifex.site.settings")
application = get_wsgi_application()

from verifex.work import queue  # noqa: E402  needs the applications loaded

queue.start()
