"""Sixty shapes in which libraries of modules are used, each in a whole program for an exercise: its value has to come out right.

`{pin}` and the like are not filled in: each shape is for the instructor's own bench of its exercise.
"""

from dataclasses import dataclass

from tests.corpus.programs.exercises import CLIMATE, HEIGHT, SYRUP

CLIMATE_END = " if (h > 70) { if (!since) since = millis(); } else since = 0; digitalWrite(8, since && millis() - since >= 4000); delay(2000);"
CLIMATE_OUT = "Serial.print(t, 1); Serial.print(' '); Serial.println(h, 1);" + CLIMATE_END
HEIGHT_OUT = "Serial.println(cm, 1); near = cm > 0.5 && cm < 20 ? near + 1 : 0; digitalWrite(5, near > 2); delay(200);"
SYRUP_OUT = "Serial.println(c, 2); cold = c < 12 ? cold + 1 : 0; digitalWrite(6, cold > 1); delay(900);"


@dataclass(frozen=True, slots=True)
class Shape:
    """`made` stands above, `set_up` in setup(), `turn` in loop() in front of what prints and answers."""

    exercise: str
    title: str
    made: str
    set_up: str
    turn: str
    file: str = "driver.cpp"

    @property
    def text(self) -> str:
        if self.file.endswith(".py"):
            return self.made
        end, light, head = {
            CLIMATE: (CLIMATE_OUT, 8, "unsigned long since = 0;"),
            HEIGHT: (HEIGHT_OUT, 5, "int near = 0;"),
            SYRUP: (SYRUP_OUT, 6, "int cold = 0;"),
        }[self.exercise]
        return (
            f"{self.made}\n{head}\nvoid setup() {{\n  Serial.begin(9600);\n  pinMode({light}, OUTPUT);\n  {self.set_up}\n}}\n"
            f"void loop() {{\n  {self.turn}\n  {end}\n}}\n"
        )


def climate(title: str, made: str, set_up: str, turn: str) -> Shape:
    return Shape(CLIMATE, title, f"#include <RoofAir.h>\n{made}", set_up, turn)


def height(title: str, made: str, set_up: str, turn: str) -> Shape:
    return Shape(HEIGHT, title, f"#include <EchoGauge.h>\n{made}", set_up, turn)


def syrup(title: str, made: str, set_up: str, turn: str) -> Shape:
    return Shape(SYRUP, title, f"#include <DataWire.h>\n#include <ProbeBox.h>\n{made}", set_up, turn)


TH = "float t = air.readTemperature(), h = air.readHumidity();"
SHAPES = [
    # -- a climate module on one data pin --------------------------------------------------------
    climate("pin and type in the constructor", "RoofAir air(7, 22);", "air.begin();", TH),
    climate("pin alone", "RoofAir air(7);", "air.begin();", TH),
    climate("pin by a macro, type by a constant of the library", "#define DATA 7\n#define KIND AIR22\nRoofAir air(DATA, KIND);", "air.begin();", TH),
    climate("set up with the pin", "RoofAir air;", "air.setup(7);", "float t = air.getTemperature(), h = air.getHumidity();"),
    climate("begin with the pin", "RoofAir air;", "air.begin(7);", TH),
    climate("attach with the pin", "RoofAir air;", "air.attach(7);", TH),
    climate("init with pin and kind", "RoofAir air;", "air.init(7, 22);", "float t = air.temperature(), h = air.humidity();"),
    climate("read and then fields", "RoofAir air(7);", "", "air.read(); float t = air.temperature; float h = air.humidity;"),
    climate("read with the pin and then fields", "RoofAir air;", "", "air.read(7); float t = air.temperature; float h = air.humidity;"),
    climate("read22 with the pin and then fields", "RoofAir air;", "", "air.read22(7); float t = air.temperature; float h = air.humidity;"),
    climate("whole numbers by getters", "RoofAir air(7);", "", "int t = air.getTempC(); int h = air.getHumid();"),
    climate("unit flag: not Fahrenheit", "RoofAir air(7, 22);", "air.begin();", "float t = air.readTemperature(false); float h = air.readHumidity();"),
    climate("unit flag: Fahrenheit, turned back", "RoofAir air(7, 22);", "air.begin();", "float t = (air.readTemperature(true) - 32) / 1.8; float h = air.readHumidity();"),
    climate("two floats by reference", "RoofAir air(7);", "", "float t, h; air.read(&t, &h);"),
    climate("two floats by reference, a status back", "RoofAir air(7);", "", "float t = 0, h = 0; int err = air.read2(&t, &h, NULL); if (err != 0) return;"),
    climate("both in a record", "RoofAir air;", "air.setup(7);", "TempAndHumidity now = air.getTempAndHumidity(); float t = now.temperature; float h = now.humidity;"),
    climate("event style", "RoofAir air(7, 22);", "air.begin();", "sensors_event_t e; air.temperature().getEvent(&e); float t = e.temperature; air.humidity().getEvent(&e); float h = e.relative_humidity;"),
    climate("a pointer to the object", "RoofAir *air = new RoofAir(7, 22);", "air->begin();", "float t = air->readTemperature(), h = air->readHumidity();"),
    climate("handed on to a function by reference", "RoofAir air(7, 22);\nfloat heat(RoofAir &one) { return one.readTemperature(); }", "air.begin();", "float t = heat(air), h = air.readHumidity();"),
    climate("another name for the object", "RoofAir air(7, 22);\nRoofAir &roof = air;", "roof.begin();", "float t = roof.readTemperature(), h = roof.readHumidity();"),
    climate("a local static object", "", "", "static RoofAir air(7, 22); float t = air.readTemperature(), h = air.readHumidity();"),
    climate("a constant pin of eight bits", "const uint8_t DATA = 7;\nRoofAir air(DATA);", "air.begin();", TH),
    climate("an array of one object", "RoofAir airs[] = {RoofAir(7, 22)};", "airs[0].begin();", "float t = airs[0].readTemperature(), h = airs[0].readHumidity();"),
    climate("made by assignment", "RoofAir air = RoofAir(7, 22);", "air.begin();", TH),
    climate("braces in the constructor", "RoofAir air{7, 22};", "air.begin();", TH),
    climate("a template with the pin", "RoofAir<7> air;", "air.begin();", TH),
    climate("words of another language", "RoofAir air(7);", "air.begin();", "float t = air.leeTemperatura(), h = air.leeHumedad();"),
    climate("words of a third language", "RoofAir air(7);", "air.begin();", "float t = air.liesTemperatur(), h = air.liesFeuchte();"),
    climate("checked for nan", "RoofAir air(7, 22);", "air.begin();", TH + " if (isnan(t) || isnan(h)) { Serial.println(\"no answer\"); return; }"),
    climate("heat index besides", "RoofAir air(7, 22);", "air.begin();", TH + " float felt = air.computeHeatIndex(t, h, false); if (felt < -50) return;"),
    climate("the kind by a qualified constant", "RoofAir air;", "air.setup(7, RoofAir::AUTO);", "float t = air.getTemperature(), h = air.getHumidity();"),
    climate("ready asked first", "RoofAir air(7, 22);", "air.begin();", "if (!air.available()) return; " + TH),
    climate("a status text", "RoofAir air;", "air.setup(7);", "float t = air.getTemperature(), h = air.getHumidity(); if (strcmp(air.getStatusString(), \"OK\") != 0) delay(1);"),
    # -- an echo gauge on two pins ---------------------------------------------------------------
    height("trigger, echo", "EchoGauge gauge(9, 10);", "", "float cm = gauge.read();"),
    height("trigger, echo, most", "EchoGauge gauge(9, 10, 300);", "", "float cm = gauge.ping_cm();"),
    height("time by ping, worked out by hand", "EchoGauge gauge(9, 10, 300);", "", "float cm = gauge.ping() / 58.3;"),
    height("median of pings, converted by the library", "EchoGauge gauge(9, 10, 300);", "", "float cm = gauge.convert_cm(gauge.ping_median(5));"),
    height("distance in words", "EchoGauge gauge(9, 10);", "", "float cm = gauge.measureDistanceCm();"),
    height("distance with a unit as a value", "EchoGauge gauge(9, 10);", "", "float cm = gauge.distanceRead(CM);"),
    height("centimetres by a capital word", "EchoGauge gauge(9, 10);", "", "float cm = gauge.Ranging(CM);"),
    height("begin with both pins", "EchoGauge gauge;", "gauge.begin(9, 10);", "float cm = gauge.getDistance();"),
    height("inches, turned", "EchoGauge gauge(9, 10);", "", "float cm = gauge.measureInches() * 2.54;"),
    height("millimetres", "EchoGauge gauge(9, 10);", "", "float cm = gauge.readRangeMillimeters() / 10.0;"),
    height("a pointer", "EchoGauge *gauge = new EchoGauge(9, 10);", "", "float cm = gauge->distance();"),
    height("an array of them", "EchoGauge gauges[1] = {EchoGauge(9, 10, 200)};", "", "float cm = gauges[0].ping_cm();"),
    height("dist()", "EchoGauge gauge(9, 10);", "", "float cm = gauge.dist();"),
    height("words of another language", "EchoGauge gauge(9, 10);", "", "float cm = gauge.medirDistancia();"),
    height("with the air's temperature", "EchoGauge gauge(9, 10);", "", "float cm = gauge.measureDistanceCm(20);"),
    # -- a probe on one wire ---------------------------------------------------------------------
    syrup("bus, probe, request, by index", "DataWire bus(3);\nProbeBox box(&bus);", "box.begin();", "box.requestTemperatures(); float c = box.getTempCByIndex(0);"),
    syrup("by index in Fahrenheit, turned", "DataWire bus(3);\nProbeBox box(&bus);", "box.begin();", "box.requestTemperatures(); float c = (box.getTempFByIndex(0) - 32) / 1.8;"),
    syrup("by address", "DataWire bus(3);\nProbeBox box(&bus);\nDeviceAddress who;", "box.begin(); box.getAddress(who, 0);", "box.requestTemperatures(); float c = box.getTempC(who);"),
    syrup("resolution and no waiting", "DataWire bus(3);\nProbeBox box(&bus);", "box.begin(); box.setResolution(12); box.setWaitForConversion(true);", "box.requestTemperatures(); float c = box.getTempCByIndex(0);"),
    syrup("one object with the pin", "ProbeBox box(3);", "box.begin();", "float c = box.getTemp();"),
    syrup("asked for its number first", "DataWire bus(3);\nProbeBox box(&bus);", "box.begin(); if (box.getDeviceCount() == 0) Serial.println(\"none\");", "box.requestTemperatures(); float c = box.getTempCByIndex(0);"),
    syrup("compared with the word for no answer", "DataWire bus(3);\nProbeBox box(&bus);", "box.begin();", "box.requestTemperatures(); float c = box.getTempCByIndex(0); if (c == DEVICE_DISCONNECTED_C) return;"),
    syrup("update and then a getter", "ProbeBox box(3);", "", "box.update(); float c = box.getTemperature();"),
    # -- Python ----------------------------------------------------------------------------------
    Shape(CLIMATE, "properties of an object", "import time\nimport board_pins as GPIO\nfrom roof_air import RoofAir\nGPIO.setmode(GPIO.BCM)\nGPIO.setup(17, GPIO.OUT)\nair = RoofAir(4)\nsince = None\ntry:\n    while True:\n        t, h = air.temperature, air.humidity\n        print(f'{t:.1f} {h:.1f}')\n        if h > 70:\n            since = since or time.time()\n        else:\n            since = None\n        GPIO.output(17, since is not None and time.time() - since >= 4)\n        time.sleep(2)\nfinally:\n    GPIO.cleanup()\n", "", "", "driver.py"),
    Shape(CLIMATE, "a function that gives both", "import time\nimport board_pins as GPIO\nimport roof_air\nGPIO.setmode(GPIO.BCM)\nGPIO.setup(17, GPIO.OUT)\nsince = None\ntry:\n    while True:\n        h, t = roof_air.read_retry(roof_air.AIR22, 4)\n        print(f'{t:.1f} {h:.1f}')\n        if h > 70:\n            since = since or time.time()\n        else:\n            since = None\n        GPIO.output(17, since is not None and time.time() - since >= 4)\n        time.sleep(2)\nfinally:\n    GPIO.cleanup()\n", "", "", "driver.py"),
    Shape(HEIGHT, "an object with echo and trigger by name", "from part_objects import DistanceSensor, LED\nfrom time import sleep\ngauge = DistanceSensor(echo=6, trigger=5, max_distance=3)\nlight = LED(16)\nnear = 0\nwhile True:\n    cm = gauge.distance * 100\n    print(f'{cm:.1f} cm')\n    near = near + 1 if 0.5 < cm < 20 else 0\n    light.value = near > 2\n    sleep(0.2)\n", "", "", "driver.py"),
    Shape(SYRUP, "a list of probes", "import time\nimport board_pins as GPIO\nfrom probe_box import ProbeBox\nGPIO.setmode(GPIO.BCM)\nGPIO.setup(23, GPIO.OUT)\nprobe = ProbeBox(22)\ncold = 0\ntry:\n    while True:\n        c = probe.get_temperature()\n        print(f'{c:.2f}')\n        cold = cold + 1 if c < 12 else 0\n        GPIO.output(23, cold > 1)\n        time.sleep(0.9)\nfinally:\n    GPIO.cleanup()\n", "", "", "driver.py"),
]  # fmt: skip
