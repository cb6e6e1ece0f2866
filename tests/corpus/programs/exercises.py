"""The exercises of the demo course by the short names that the corpus uses."""

HEAT, LID, FEED, GAP = "brood-box-heat-watch", "lid-open-watch", "feeder-level", "entrance-gap-watch"
CLIMATE, WALL, TAG, YARD = "hive-climate", "hive-display", "hive-tag-check-in", "night-visitor-watch"
SMOKE, HEIGHT, SYRUP, TOPPLED = "smoke-room-air", "super-height-gauge", "syrup-tank-probe", "toppled-hive-alarm"
