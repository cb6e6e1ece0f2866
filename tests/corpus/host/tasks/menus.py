"""Lines that come in over the wire, and what they ask for: parsing, dispatch, answers to wrong ones."""

settings = {"limit": 28.0, "gap": 1.0, "name": "hive 3", "log": True}


def parse(value):
    value = value.strip()
    if value.lower() in ("yes", "no", "on", "off"):
        return value.lower() in ("yes", "on")
    for kind in (int, float):
        try:
            return kind(value)
        except ValueError:
            pass
    return value


def get(name):
    return "{} = {!r}".format(name, settings[name])


def put(name, *words):
    value = parse(" ".join(words))
    old = settings[name]
    if type(old) is float and type(value) is int:
        value = float(value)
    if type(old) is not type(value):
        raise TypeError("%s takes a %s" % (name, type(old).__name__))
    settings[name] = value
    return get(name)


def show():
    return "; ".join(get(name) for name in sorted(settings))


def mean(*words):
    numbers = [float(word) for word in words]
    return "{:.3f}".format(sum(numbers) / len(numbers))


COMMANDS = {"get": get, "set": put, "show": show, "mean": mean}


def answer(line):
    line = line.split("#", 1)[0]
    name, *words = line.split() or [""]
    if not name:
        return None
    try:
        return COMMANDS[name.lower()](*words)
    except KeyError as missing:
        return "unknown: %s" % missing
    except (TypeError, ValueError) as problem:
        return "refused: " + (str(problem) if "takes a" in str(problem) else type(problem).__name__)
    except ZeroDivisionError:
        return "nothing to take the mean of"
    finally:
        asked.append(name)


asked = []
SESSION = """get limit
set limit 30
SET name  hive   7   # the new one
set gap wide
set log off

get colour
mean 1 2 4
mean
mean 1 x
jump
set
   # nothing
show"""
for line in SESSION.split("\n"):
    reply = answer(line)
    if reply is not None:
        print(">", line.strip())
        print(reply)
print(asked)
print("limit:28;gap:1".partition(";"), "a=b=c".split("=", 1), "a=b=c".rsplit("=", 1), "x".split(","))
print("Hive 3".startswith("Hi"), "log.csv".endswith((".csv", ".txt")), "3".isdigit(), "3.1".isdigit(), "ab".isalpha())
print("  a ".strip() + "|", "..a..".strip("."), "a,b".find(","), "abc".find("z"), "banana".count("an"), "A b".swapcase())
print("-".join(["1", "2"]), "%5.1f|%-5s|%05d|%x" % (2.25, "ab", 42, 255), "{:>6}|{:<6}|{:^6}|{:+d}".format(1, 2, 3, 4))
print(f"{settings['limit']:.1f} {len(asked):3d} {'yes' if settings['log'] else 'no'} {3:08b} {255:#x} {0.5:.0%}")
