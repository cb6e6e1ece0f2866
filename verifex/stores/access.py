"""Who works in the stores: the staff of any section, and at a kit the staff of its course."""

from verifex.acts.refusals import NotAllowed
from verifex.people.access import is_staff_of
from verifex.people.models import Course, Staff, User
from verifex.stores.models import Fault, Kit, Module


def require_store_staff(user: User) -> None:
    """Raises NotAllowed for who is on no staff."""
    if not Staff.objects.filter(user=user).exists():
        raise NotAllowed("Only staff may see the stores.")


def require_kit_staff(user: User, kit: Kit) -> None:
    require_course_staff(user, kit.exercise.course)


def require_course_staff(user: User, course: Course) -> None:
    if not is_staff_of(user, course):
        raise NotAllowed("Only the staff of this course may do that.")


def require_fault_staff(user: User, fault: Fault) -> None:
    require_store_staff(user)
    if fault.module:
        require_module_staff(user, fault.module)
    if fault.kit:
        require_kit_staff(user, fault.kit)


def require_module_staff(user: User, module: Module) -> None:
    """A module in a kit belongs to the kit's course; a loose one to the store."""
    require_store_staff(user)
    if place := getattr(module, "place", None):
        require_kit_staff(user, place.kit)
