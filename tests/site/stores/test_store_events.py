"""Every act in the stores is in the event log, with who did it."""

import base64
import io

from PIL import Image

from tests.site.stores.stores_case import StoresCase
from verifex.acts.models import Event
from verifex.stores.models import Batch, Fault, FaultPhoto, StockItem, StockMove


class EventLogTest(StoresCase):
    def acts(self):
        """Each act as (method, address, body); later ones rest on what earlier ones did."""
        module, item = self.module("HB-15"), StockItem.objects.get(ohms=390)
        calibration = {
            "kind": "one-point", "quantity": "celsius", "values": {"reference1": 21.0, "reads1": 21.2, "half": 0.2},
        }  # fmt: skip
        out = io.BytesIO()
        Image.new("RGB", (40, 30)).save(out, "PNG")
        yield "post", "/api/modules", {"part": "motion", "prefix": "Q", "count": 2}
        yield "put", f"/api/modules/{module.pk}", {"headers": True, "note": "checked"}
        yield "post", f"/api/modules/{module.pk}/calibrations", calibration
        yield "post", f"/api/calibrations/{module.calibrations.latest('id').pk}/withdraw", {}
        yield "post", f"/api/modules/{module.pk}/faults", {"what": "loose"}
        fault = Fault.objects.latest("id").pk
        yield "post", f"/api/faults/{fault}/photos", {"data": base64.b64encode(out.getvalue()).decode()}
        yield "delete", f"/api/faults/photos/{FaultPhoto.objects.get().pk}", {}
        yield "post", f"/api/faults/{fault}/mend", {}
        yield "post", f"/api/faults/{fault}/close", {"is_well": True}
        batch = Batch.objects.get(name="M 1")
        yield "post", "/api/batches", {"name": "M 2", "part": "motion"}
        yield "put", f"/api/batches/{batch.pk}", {"name": "M 1", "part": "motion", "price": "2.30"}
        yield "post", "/api/stock", {"title": "tape", "drawer": "Z"}
        yield "put", f"/api/stock/{item.pk}", {"part": "resistor", "ohms": 390, "title": item.title, "drawer": "C9"}
        yield "post", f"/api/stock/{item.pk}/count", {"seen": 1, "found": 2}
        yield "post", f"/api/stock/moves/{StockMove.objects.latest('id').pk}/undo", {}
        yield "post", f"/api/stock/{item.pk}/book-in", {"count": 3}
        yield "post", "/api/hatch/replace", {"tag": "HB-08", "ref": "BZ1", "reason": "silent"}
        yield "post", "/api/hatch/undo-replace", {"tag": "HB-08"}
        yield "post", "/api/hatch/substitute", {"tag": "HB-05", "ref": "R1", "value": "390", "reason": "none left"}
        yield "post", "/api/hatch/undo-substitute", {"tag": "HB-05"}
        yield "post", "/api/hatch/take-back", {"tag": "HB-07"}
        yield "post", "/api/hatch/came-back", {"tag": "HB-07", "missing": ["D1"]}
        yield "post", "/api/hatch/put-right", {"tag": "HB-07"}
        table = "Kit,Exercise,Place\nQQ-01,Lid-open watch,LC1\n"
        data = base64.b64encode(table.encode()).decode()
        digest = self.assistant.ask("/api/stores/tables/kits/preview", data=data).json()["digest"]
        yield "post", "/api/stores/tables/kits/import", {"data": data, "digest": digest}

    def test_each_act_is_in_the_event_log_and_a_preview_is_not(self):
        for method, path, body in self.acts():
            with self.subTest(path):
                before = Event.objects.latest("id").pk
                answer = getattr(self.assistant, method)(path, body, content_type="application/json")
                self.assertEqual(answer.status_code, 200, answer.content)
                new = Event.objects.filter(pk__gt=before)  # the judging of what changed is nobody's act
                self.assertTrue(new.filter(actor__username="tomas.reed").exists())
