"""Who works in the stores: the staff of any section; at a kit the staff of its course, and while a pair has it only the
staff of that pair's section, since whatever changes in it changes what that pair is judged by."""

from verifex.acts.refusals import NotAllowed
from verifex.people.access import is_staff_of, role_in
from verifex.people.models import Course, Staff, User
from verifex.stores.models import Fault, Kit, KitIssue, Module


def require_store_staff(user: User) -> None:
    """Raises NotAllowed for who is on no staff."""
    if not Staff.objects.filter(user=user).exists():
        raise NotAllowed("Only staff may see the stores.")


def require_kit_reader(user: User, kit: Kit) -> None:
    """Raises NotAllowed for who is on no staff of the kit's course."""
    require_course_staff(user, kit.exercise.course)


def require_kit_staff(user: User, kit: Kit) -> None:
    """Who may change a kit. Raises NotAllowed."""
    held = KitIssue.objects.filter(kit=kit, returned_at=None).select_related("session__section").first()
    if held is None:
        require_kit_reader(user, kit)
    elif role_in(user, held.session.section) is None:
        raise NotAllowed(f"{kit.tag} is out in another section; only the staff of that section may change it.")


def require_course_staff(user: User, course: Course) -> None:
    if not is_staff_of(user, course):
        raise NotAllowed("Only the staff of this course may do that.")


def require_fault_staff(user: User, fault: Fault) -> None:
    require_store_staff(user)
    if fault.module:
        require_module_staff(user, fault.module)
    if fault.kit:
        require_kit_staff(user, fault.kit)


def require_module_reader(user: User, module: Module) -> None:
    """A module in a kit belongs to the kit's course; a loose one to the store."""
    require_store_staff(user)
    if place := getattr(module, "place", None):
        require_kit_reader(user, place.kit)


def require_module_staff(user: User, module: Module) -> None:
    """Who may change a module: as its kit, where it is in one."""
    require_store_staff(user)
    if place := getattr(module, "place", None):
        require_kit_staff(user, place.kit)
