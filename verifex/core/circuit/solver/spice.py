"""The circuit that was solved as a plain SPICE netlist, element for element, so that anyone can check us."""

from collections.abc import Mapping

from verifex.core.circuit.solver.elements import (
    GMIN_SIEMENS,
    JUNCTION_SIEMENS,
    LEAST_OHMS,
    THERMAL_VOLTS,
    Circuit,
    Junction,
    Transistor,
)


def spice_netlist(circuit: Circuit, title: str, names: Mapping[int, str] | None = None) -> str:
    """`circuit` as netlist text with an `.op`; the ground is node 0, other nodes are n1, n2, …

    `names` gives the net that a node stands for; it is written as a comment and nowhere else. A source's own
    resistance is a resistor of its own, so what SPICE solves is what we solved.
    """
    node = {circuit.ground: "0"}
    for number in range(circuit.nodes):
        if number != circuit.ground:
            node[number] = f"n{number + 1}"
    lines = [f"* {title}"]
    lines += [f"* node {node[number]} = {name}" for number, name in (names or {}).items()]
    for index, r in enumerate(circuit.resistances, 1):
        lines.append(f"R{index} {node[r.a]} {node[r.b]} {max(r.ohms, LEAST_OHMS):.9g} ; {r.name}")
    for index, s in enumerate(circuit.sources, 1):
        lines.append(f"V{index} s{index} {node[s.minus]} DC {s.volts:.9g} ; {s.name}")
        lines.append(f"RS{index} s{index} {node[s.plus]} {max(s.ohms, LEAST_OHMS):.9g}")
    models: dict[tuple[float, ...], str] = {}
    for index, j in enumerate(circuit.junctions, 1):
        lines.append(f"D{index} {node[j.anode]} {node[j.cathode]} {_diode_model(models, j)} ; {j.name}")
    for index, t in enumerate(circuit.transistors, 1):
        # The fourth node, the substrate, is tied to the collector: there is none in a part of its own.
        legs = f"{node[t.collector]} {node[t.base]} {node[t.emitter]} {node[t.collector]}"
        lines.append(f"Q{index} {legs} {_transistor_model(models, t)} ; {t.name}")
    for figures, name in models.items():
        if len(figures) == 2:
            lines.append(f".model {name} D(IS={figures[0]:.9g} N={figures[1] / THERMAL_VOLTS:.9g})")
        else:
            saturation, gain, reverse, knee = figures
            lines.append(f".model {name} NPN(IS={saturation:.9g} BF={gain:g} BR={reverse:g} IKF={knee:g})")
    # What holds a floating island, node by node: a source's inner node has none.
    lines += [f"RG{number + 1} {name} 0 {1 / GMIN_SIEMENS:g}" for number, name in node.items() if name != "0"]
    lines.append(f".options gmin={JUNCTION_SIEMENS:g} reltol=1e-6 abstol=1e-13 vntol=1e-9")
    lines += [".op", ".end", ""]
    return "\n".join(lines)


def _diode_model(models: dict[tuple[float, ...], str], junction: Junction) -> str:
    return models.setdefault((junction.saturation_amps, junction.slope_volts), f"dm{len(models) + 1}")


def _transistor_model(models: dict[tuple[float, ...], str], t: Transistor) -> str:
    return models.setdefault((t.saturation_amps, t.gain, t.reverse_gain, t.knee_amps), f"qm{len(models) + 1}")
