# Every reading is printed, logged and written into a table.
import csv
import logging
import os
import time
from typing import Optional, Tuple

from climate_library import ClimateModule
from part_objects import LED

logging.basicConfig(level=logging.INFO, format="%(levelname)s %(message)s")
log = logging.getLogger("hive")
roof, light = ClimateModule(4), LED(17)


def look() -> Optional[Tuple[float, float]]:
    heat, damp = roof.temperature, roof.humidity
    return (heat, damp) if damp is not None else None


wet = 0
with open(os.path.join("/tmp", "roof.csv"), "a", newline="") as file:
    table = csv.writer(file)
    table.writerow(["time", "heat", "damp"])
    while True:
        found = look()
        if found is None:
            log.warning("no answer")
            continue
        heat, damp = found
        table.writerow([round(time.time(), 1), heat, damp])
        file.flush()
        print(f"{heat:.1f} {damp:.1f}")
        wet = wet + 1 if damp > 70 else 0
        (light.on if wet >= 3 else light.off)()
        time.sleep(2)
