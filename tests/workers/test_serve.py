"""The server as it is started: it answers, with a database that is not set up yet as well."""

import json
import os
import socket
import subprocess
import sys
import tempfile
import time
from http.client import HTTPConnection, HTTPException
from unittest import TestCase


class ServeTest(TestCase):
    def serve(self, data: str) -> int:
        with socket.socket() as free:
            free.bind(("127.0.0.1", 0))
            port: int = free.getsockname()[1]
        environment = {**os.environ, "VERIFEX_DATA": data, "DJANGO_SETTINGS_MODULE": "verifex.site.settings"}
        command = [sys.executable, "-m", "verifex.site.serve", "--listen", f"127.0.0.1:{port}"]
        server = subprocess.Popen(command, env=environment, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
        self.addCleanup(server.wait, 20)
        self.addCleanup(server.terminate)
        return port

    def answer(self, port: int, path: str) -> tuple[int, bytes]:
        for _ in range(240):
            try:
                connection = HTTPConnection("127.0.0.1", port, timeout=30)
                connection.request("GET", path)
                answer = connection.getresponse()
                return answer.status, answer.read()
            except (OSError, HTTPException):
                time.sleep(0.25)
        self.fail("the server does not answer")

    def test_it_answers_before_and_after_the_database_is_set_up(self):
        with tempfile.TemporaryDirectory() as data:
            port = self.serve(data)
            status, content = self.answer(port, "/api/me")
            self.assertEqual((status, json.loads(content)["kind"]), (200, "nobody"))
            self.assertEqual(self.answer(port, "/api/sessions")[0], 401)
