# One task reads, another switches the light.
import asyncio

from climate_library import ClimateModule
from part_objects import LED

roof, light = ClimateModule(4), LED(17)
state = {"wet": 0}


async def look():
    while True:
        heat, damp = roof.temperature, roof.humidity
        print(f"{heat:.1f} {damp:.1f}")
        state["wet"] = state["wet"] + 1 if damp > 70 else 0
        await asyncio.sleep(2)


async def lamp():
    while True:
        if state["wet"] >= 3:
            light.on()
        else:
            light.off()
        await asyncio.sleep(0.2)


async def main():
    await asyncio.gather(look(), lamp())


asyncio.run(main())
