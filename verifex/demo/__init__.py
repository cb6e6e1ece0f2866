"""The demo course, loaded through the same services as everyone uses."""

#: Beside the data of the demo: its log-ins, which show that the folder is the demo's.
DEMO_LOG_INS = "demo-log-ins.json"
