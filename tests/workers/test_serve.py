"""The server as it is started: it answers, with a database that is not set up yet as well."""

import json
import os
import shutil
import socket
import subprocess
import sys
import tempfile
import time
from http.client import HTTPConnection, HTTPException, HTTPResponse
from pathlib import Path
from unittest import TestCase, skipUnless

NGINX = shutil.which("nginx")
PROXY = """
daemon off; pid {folder}/nginx.pid; error_log stderr;
events {{ worker_connections 64; }}
http {{
  access_log off; client_max_body_size 30m; client_body_temp_path {folder}/body; proxy_temp_path {folder}/proxy;
  fastcgi_temp_path {folder}/f; uwsgi_temp_path {folder}/u; scgi_temp_path {folder}/s;
  server {{
    listen 127.0.0.1:{port};
    location / {{
      proxy_pass http://127.0.0.1:{server};
      proxy_set_header Host lab.example.org;
      proxy_set_header X-Forwarded-Proto https;
      proxy_set_header X-Forwarded-For $http_x_test_client;
    }}
  }}
}}
"""


def free_port() -> int:
    with socket.socket() as free:
        free.bind(("127.0.0.1", 0))
        return int(free.getsockname()[1])


class ServeTest(TestCase):
    def serve(self, data: str, **more: str) -> int:
        port = free_port()
        environment = {**os.environ, "VERIFEX_DATA": data, "DJANGO_SETTINGS_MODULE": "verifex.site.settings", **more}
        command = [sys.executable, "-m", "verifex.site.start", "--listen", f"127.0.0.1:{port}"]
        server = subprocess.Popen(command, env=environment, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
        self.addCleanup(server.wait, 20)
        self.addCleanup(server.terminate)
        return port

    def answer(self, port: int, path: str) -> tuple[int, bytes]:
        answer = self.asked(port, "GET", path)
        return answer.status, answer.read()

    def asked(self, port: int, method: str, path: str, body: str = "", **headers: str) -> HTTPResponse:
        for _ in range(240):
            try:
                connection = HTTPConnection("127.0.0.1", port, timeout=30)
                connection.request(method, path, body, headers)
                return connection.getresponse()
            except (OSError, HTTPException):
                time.sleep(0.25)
        self.fail("the server does not answer")

    @skipUnless(NGINX, "Debian's nginx-light is missing")
    def test_behind_a_real_proxy_that_ends_tls_each_client_counts_for_itself(self):
        with tempfile.TemporaryDirectory() as data:
            allowed = {"VERIFEX_HOSTS": "lab.example.org", "VERIFEX_ORIGINS": "https://lab.example.org"}
            server, port = self.serve(data, VERIFEX_BEHIND_PROXY="1", **allowed), free_port()
            config = Path(data) / "nginx.conf"
            config.write_text(PROXY.format(folder=data, port=port, server=server))
            proxy = subprocess.Popen([str(NGINX), "-c", str(config)], stderr=subprocess.DEVNULL)
            self.addCleanup(proxy.wait, 10)
            self.addCleanup(proxy.terminate)
            page = self.asked(port, "GET", "/log-in")
            while page.status == 502:  # the server behind it is starting
                time.sleep(0.25)
                page = self.asked(port, "GET", "/log-in")
            self.assertIn("max-age=31536000", page.headers.get("Strict-Transport-Security", ""))
            cookie = page.headers["Set-Cookie"]
            self.assertIn("Secure", cookie)
            token = cookie.split(";")[0].split("=")[1]
            given = {
                "Cookie": f"csrftoken={token}", "X-CSRFToken": token, "Content-Type": "application/json",
                "Referer": "https://lab.example.org/",
            }  # fmt: skip
            body = json.dumps({"username": "nobody", "password": "a guess"})

            def tries(client: str) -> list[int]:
                headers = {**given, "X-Test-Client": client}
                return [self.asked(port, "POST", "/api/log-in", body, **headers).status for _ in range(9)]

            self.assertEqual(tries("10.9.0.1"), [403] * 8 + [429])
            self.assertEqual(tries("10.9.0.2")[:8], [403] * 8, "another client is not locked out with the first")
            # What a client itself sends in front of what the proxy saw is not believed.
            self.assertEqual(tries("172.16.0.9, 10.9.0.1")[0], 429)

    def test_a_taken_address_is_one_sentence(self):
        with tempfile.TemporaryDirectory() as data, socket.create_server(("127.0.0.1", 0)) as taken:
            address = f"127.0.0.1:{taken.getsockname()[1]}"
            environment = {**os.environ, "VERIFEX_DATA": data}
            command = [sys.executable, "-m", "verifex.site.start", "--listen", address]
            ended = subprocess.run(command, env=environment, capture_output=True, text=True, timeout=60)
        self.assertEqual(ended.returncode, 1)
        self.assertRegex(ended.stderr, f"^Something listens on {address} already")
        self.assertNotIn("Traceback", ended.stderr)

    def test_it_answers_before_and_after_the_database_is_set_up(self):
        with tempfile.TemporaryDirectory() as data:
            port = self.serve(data)
            status, content = self.answer(port, "/api/me")
            self.assertEqual((status, json.loads(content)["kind"]), (200, "nobody"))
            self.assertEqual(self.answer(port, "/api/sessions")[0], 401)
