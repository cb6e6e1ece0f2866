"""A live server with the demo course, and Debian's headless Chromium in front of it."""

import os
import re
from typing import Any

from django.contrib.auth import BACKEND_SESSION_KEY, HASH_SESSION_KEY, SESSION_KEY
from django.contrib.sessions.backends.db import SessionStore
from django.test import LiveServerTestCase
from playwright.sync_api import Browser, BrowserContext, ConsoleMessage, Page, sync_playwright

from tests.demo_data import put_demo
from verifex.dockets.models import Docket
from verifex.people.models import User

# Playwright's own loop makes Django think it is in asynchronous code.
os.environ.setdefault("DJANGO_ALLOW_ASYNC_UNSAFE", "true")

FLAGS = ["--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
         "--disable-component-update", "--disable-sync"]  # fmt: skip


class BrowserCase(LiveServerTestCase):
    """Fails on any error in the browser's console, a violated content policy included."""

    browser: Browser

    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        playwright = sync_playwright().start()
        cls.addClassCleanup(playwright.stop)
        cls.browser = playwright.chromium.launch(executable_path="/usr/bin/chromium", args=FLAGS)
        cls.addClassCleanup(cls.browser.close)

    def setUp(self):
        self.session = put_demo()
        self.console: list[str] = []
        self.expected_refusals = 0

    def tearDown(self):
        # A refusal the test asks for shows as "Failed to load resource"; nothing else may.
        serious = [text for text in self.console if "status of 4" not in text or not self.expected_refusals]
        self.assertEqual(serious, [])

    def docket(self, bench: int) -> Docket:
        return Docket.objects.get(pair__seat__bench=bench, session=self.session)

    def context(self, width: int = 1280, height: int = 800, **more: Any) -> BrowserContext:
        context = self.browser.new_context(
            viewport={"width": width, "height": height}, locale="en-GB", timezone_id="Europe/Dublin", **more
        )
        context.set_default_timeout(15_000)
        self.addCleanup(context.close)
        return context

    def page_for(self, username: str, path: str = "/", **size: Any) -> Page:
        """A page with this person's session, at `path`."""
        context = self.context(**size)
        context.add_cookies([self._session_of(username)])
        return self.open(context, path)

    def open(self, context: BrowserContext, path: str) -> Page:
        """A page at `path` whose console is listened to."""
        page = context.new_page()
        page.on("console", self._heard)
        page.on("pageerror", lambda error: self.console.append(str(error)))
        page.goto(self.live_server_url + path)
        return page

    def choose(self, page: Page, label: str | re.Pattern[str], words: str) -> None:
        """One of the options of a choice, by the choice's label."""
        page.get_by_label(label).click()
        page.get_by_role("option", name=words, exact=True).click()

    def _session_of(self, username: str) -> Any:
        user = User.objects.get(username=username)
        store = SessionStore()
        store[SESSION_KEY], store[BACKEND_SESSION_KEY] = str(user.pk), "django.contrib.auth.backends.ModelBackend"
        store[HASH_SESSION_KEY] = user.get_session_auth_hash()
        store.save()
        return {"name": "sessionid", "value": str(store.session_key), "url": self.live_server_url}

    def _heard(self, message: ConsoleMessage) -> None:
        if message.type == "error":
            self.console.append(message.text)
