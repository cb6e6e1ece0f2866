# Coroutines and threads: what runs beside each other, in the order of its sleeps.
import asyncio
import queue
import threading
import time

said = []


async def worker(name, pause, times):
    for i in range(times):
        said.append(f"{name}{i}")
        await asyncio.sleep(pause)
    return name * 2


async def asks(event):
    await event.wait()
    said.append("event")


async def main():
    event = asyncio.Event()
    task = asyncio.create_task(asks(event))
    found = await asyncio.gather(worker("a", 0.02, 3), worker("b", 0.035, 2))
    event.set()
    await task
    said.append(str(found))
    return 5


print(asyncio.run(main()), said)
said.clear()
lock = threading.Lock()
waiting = queue.Queue()


def fill(name, pause):
    for i in range(3):
        with lock:
            said.append(f"{name}{i}")
        waiting.put(i)
        time.sleep(pause)


one = threading.Thread(target=fill, args=("x", 0.08), daemon=True)
other = threading.Thread(target=fill, args=("y",), kwargs={"pause": 0.2})
one.start()
time.sleep(0.02)
other.start()
one.join()
other.join()
print(said, waiting.qsize(), waiting.get(), one.is_alive())
stop = threading.Event()
count = 0


def run():
    global count
    while not stop.is_set():
        count += 1
        stop.wait(0.02)


t = threading.Thread(target=run)
t.start()
time.sleep(0.05)
stop.set()
t.join()
print(count)
