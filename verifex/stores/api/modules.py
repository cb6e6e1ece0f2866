"""Modules, batches and calibrations."""

from typing import Any

from django.db.models import Q
from django.http import HttpRequest
from ninja import Router

from verifex.api.http import Id
from verifex.people.access import courses_of, reader
from verifex.stores.access import require_module_reader, require_module_staff, require_store_staff
from verifex.stores.models import Batch, Module
from verifex.stores.present.modules import (
    batches_json,
    kinds_json,
    module_json,
    module_row,
    title_of,
    whole_modules,
)
from verifex.stores.schemas.modules import (
    BatchIn,
    BatchOut,
    CalibrationIn,
    ModuleFaultIn,
    ModuleIn,
    ModuleOut,
    ModuleRowOut,
    ModulesIn,
    PartKindOut,
    PlaceIn,
    StoreSavedOut,
)
from verifex.stores.services import modules
from verifex.stores.services.faults import open_fault_of_module
from verifex.stores.services.kits import kit_of

router = Router(tags=["stores"])


@router.get("/stores/kinds", response=list[PartKindOut])
def list_kinds(request: HttpRequest) -> list[PartKindOut]:
    """The parts and boards of the catalogue as the stores see them."""
    require_store_staff(reader(request))
    return kinds_json()


@router.get("/modules", response=list[ModuleRowOut])
def list_modules(request: HttpRequest) -> list[ModuleRowOut]:
    """The modules and boards in kits of the reader's courses, and loose ones, with their state and where they are."""
    require_store_staff(reader(request))
    own = Q(place=None) | Q(place__kit__exercise__course__in=courses_of(reader(request)))
    return [module_row(module) for module in whole_modules().filter(own)]


@router.post("/modules", response=StoreSavedOut)
def tag_modules(request: HttpRequest, data: ModulesIn) -> dict[str, str]:
    """So many modules with the next free tags."""
    batch = Batch.objects.get(pk=data.batch) if data.batch is not None else None
    made = modules.tag_modules(reader(request), data.part, data.prefix, data.count, batch, data.bought_on)
    tags = made[0].tag if len(made) == 1 else f"{made[0].tag} to {made[-1].tag}"
    return {"message": f"{tags}: {title_of(data.part)}. Print their labels, and stick them on."}


@router.get("/modules/{module_id}", response=ModuleOut)
def show_module(request: HttpRequest, module_id: Id) -> ModuleOut:
    """All that is known of one."""
    module = whole_modules().get(pk=module_id)
    require_module_reader(reader(request), module)
    return module_json(module)


@router.put("/modules/{module_id}", response=StoreSavedOut)
def change_module(request: HttpRequest, module_id: Id, data: ModuleIn) -> dict[str, str]:
    """Its batch, settings, headers and note."""
    batch = Batch.objects.get(pk=data.batch) if data.batch is not None else None
    values = {**data.model_dump(), "batch": batch}
    return {
        "message": f"{modules.save_module(reader(request), Module.objects.get(pk=module_id), values).tag} is saved."
    }


@router.post("/modules/{module_id}/place", response=StoreSavedOut)
def put_into_kit(request: HttpRequest, module_id: Id, data: PlaceIn) -> dict[str, str]:
    """Which place of a kit it lies in."""
    module = Module.objects.get(pk=module_id)
    require_module_staff(reader(request), module)
    place = modules.put_into(reader(request), module, kit_of(data.kit), data.ref.strip().upper())
    return {"message": f"{module.tag} is {place.ref} of {place.kit.tag}."}


@router.post("/modules/{module_id}/calibrations", response=StoreSavedOut)
def calibrate(request: HttpRequest, module_id: Id, data: CalibrationIn) -> dict[str, str]:
    """A calibration; the sheets of whoever has it follow it at once."""
    module = Module.objects.get(pk=module_id)
    made = modules.calibrate(reader(request), module, data.kind, data.quantity, data.values, data.with_what, data.on)
    return {"message": f"{module.tag}: {made.words}."}


@router.post("/calibrations/{calibration_id}/withdraw", response=StoreSavedOut)
def withdraw(request: HttpRequest, calibration_id: Id) -> dict[str, str]:
    """A calibration that was wrong counts no more."""
    made = modules.withdraw_calibration(reader(request), calibration_id)
    return {"message": f"{made.module.tag}: that calibration counts no more."}


@router.post("/modules/{module_id}/faults", response=StoreSavedOut)
def fault_of_module(request: HttpRequest, module_id: Id, data: ModuleFaultIn) -> dict[str, str]:
    """What is wrong with it; it is held back until somebody says that it is well."""
    fault = open_fault_of_module(reader(request), Module.objects.get(pk=module_id), data.what)
    return {"message": f"{fault.title} is held back: {fault.what}."}


@router.get("/batches", response=list[BatchOut])
def list_batches(request: HttpRequest) -> list[dict[str, Any]]:
    """Every batch with how often its modules failed."""
    require_store_staff(reader(request))
    return batches_json()


@router.post("/batches", response=StoreSavedOut)
def add_batch(request: HttpRequest, data: BatchIn) -> dict[str, str]:
    return {"message": f"Batch {modules.save_batch(reader(request), data.model_dump()).name} is saved."}


@router.put("/batches/{batch_id}", response=StoreSavedOut)
def change_batch(request: HttpRequest, batch_id: Id, data: BatchIn) -> dict[str, str]:
    """Leg order and figures of a batch; the checks of whoever has a module of it follow."""
    return {"message": f"Batch {modules.save_batch(reader(request), data.model_dump(), batch_id).name} is saved."}
