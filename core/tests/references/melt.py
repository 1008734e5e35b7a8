#!/usr/bin/python3
"""The heat inside a fusion joint by SciPy, to hold our own scheme against.

Same physics, another method: temperatures of a node-centred mesh of its own spacing, integrated by the stiff solver
LSODA with its own steps. `melt.py` writes the cases of `melt.json`; `melt.py time` the seconds for one case.
"""
import json
import os
import sys
import time

import numpy as np
import scipy
from scipy.integrate import solve_ivp

RHO, C1, C2, LATENT, T1, T2 = 950.0, 2300.0, 2500.0, 200e3, 105.0, 132.0
H1 = C1 * T1
SLOPE = (C1 + C2) / 2 + LATENT / (T2 - T1)
H2 = H1 + SLOPE * (T2 - T1)


def temperature(h):
    return np.where(h <= H1, h / C1, np.where(h < H2, T1 + (h - H1) / SLOPE, T2 + (h - H2) / C2))


def enthalpy(t):
    return np.where(t <= T1, C1 * t, np.where(t < T2, H1 + SLOPE * (t - T1), H2 + C2 * (t - T2)))


def conductivity(t):
    return np.interp(t, [20.0, T2], [0.42, 0.26])


BASE = dict(pipe_od_mm=109.6, pipe_wall_mm=9.8, gap_mm=0.3, wire_depth_mm=1.0, fitting_wall_mm=13, zone_len_mm=70, u_v=39.5, r_ref_ohm=1.8,
            tcr_per_k=0, t_ref_c=20, t_fuse_s=150, pipe_c=20, fitting_c=20, air_c=20, edges=0)


def nodes(a, b, dx):
    """Nodes on both ends: half cells at the surfaces."""
    return np.linspace(a, b, int(round((b - a) / dx)) + 1)


def shells(r):
    faces = np.concatenate([[r[0]], (r[1:] + r[:-1]) / 2, [r[-1]]])
    return np.pi * (faces[1:] ** 2 - faces[:-1] ** 2), faces


def solve(case, dx=0.2e-3, cool_to=None):
    p = {**BASE, **case}
    mm = 1e-3
    r0, wall, g0 = p["pipe_od_mm"] / 2 * mm, p["pipe_wall_mm"] * mm, p["gap_mm"] * mm
    pipe = nodes(r0 - wall, r0, dx)
    inner = nodes(r0 + g0, r0 + g0 + p["wire_depth_mm"] * mm, dx)
    outer = nodes(inner[-1], r0 + g0 + p["fitting_wall_mm"] * mm, dx)[1:]
    fit = np.concatenate([inner, outer])
    wire = len(pipe) + len(inner) - 1
    n_pipe = len(pipe)
    v_pipe, f_pipe = shells(pipe)
    v_fit, f_fit = shells(fit)
    volume = np.concatenate([v_pipe, v_fit])
    width = np.concatenate([np.diff(f_pipe), np.diff(f_fit)])
    r = np.concatenate([pipe, fit])
    zone = p["zone_len_mm"] * mm
    air = p["air_c"]
    closest = [g0]

    def molten(h):
        return np.clip((h - H1) / (H2 - H1), 0, 1) * width

    def gap_of(h):
        closest[0] = min(closest[0], max(0.0, g0 - 0.15 * molten(h).sum()))
        return closest[0]

    def rates(t, h, power_on):
        temp = temperature(h)
        k = conductivity(temp)
        q = 2 * np.pi * (temp[:-1] - temp[1:]) / np.log(r[1:] / np.where(r[1:] == r[:-1], r[:-1] * 0.999999, r[:-1])) * 2 / (1 / k[:-1] + 1 / k[1:])
        g = gap_of(h)
        resistance = 1e-4 if g <= 0 else max(1e-4, 1 / (0.035 / g + 15.0))
        q[n_pipe - 1] = 2 * np.pi * r0 * (temp[n_pipe - 1] - temp[n_pipe]) / resistance
        gain = np.zeros_like(h)
        gain[:-1] -= q
        gain[1:] += q
        gain[0] += 2 * np.pi * r[0] * 5.0 * (air - temp[0])
        gain[-1] += 2 * np.pi * r[-1] * 10.0 * (air - temp[-1])
        if power_on:
            gain[wire] += p["u_v"] ** 2 / (p["r_ref_ohm"] * (1 + p["tcr_per_k"] * (temp[wire] - p["t_ref_c"]))) / zone
        if p["edges"]:
            a = 0.42 / (950 * 2300)
            gain -= p["edges"] * k * volume * (temp - air) / (zone * 2 * np.sqrt(np.pi * a * max(t, 1e-3)))
        return gain / (RHO * volume)

    h = np.concatenate([enthalpy(np.full(n_pipe, float(p["pipe_c"]))), enthalpy(np.full(len(fit), float(p["fitting_c"])))])
    skin = []
    for start, end, on in stretches(p):
        done = solve_ivp(rates, (start, end), h, method="LSODA", args=(on,), rtol=1e-6, atol=5.0, max_step=0.5, lband=2, uband=2)
        skin += list(zip(done.t, temperature(done.y[n_pipe - 1])))
        h = done.y[:, -1]
    temp = temperature(h)
    melt = molten(h)
    # Where the skin first reaches 132 degC, straight between two steps of the solver.
    first = next((t0 + (t1 - t0) * (132 - a) / (b - a) for (t0, a), (t1, b) in zip(skin, skin[1:]) if a < 132 <= b), None)
    return {"iface_c": float(temp[n_pipe - 1]), "wire_c": float(temp[wire]), "pipe_melt_mm": float(melt[:n_pipe].sum() * 1000), "fit_melt_mm": float(melt[n_pipe:].sum() * 1000),
            "gap_left_mm": float(closest[0] * 1000), "t_melt_s": None if first is None else float(first)}


def stretches(p):
    at = 0.0
    for start, length in p.get("pauses", []):
        yield at, float(start), True
        yield float(start), float(start + length), False
        at = float(start + length)
    yield at, float(p["t_fuse_s"]), True


CASES = [{}, {"gap_mm": 1}, {"gap_mm": 2}, {"pipe_c": -10, "fitting_c": -10, "air_c": -10}, {"pipe_c": -10}, {"u_v": 35.55}, {"u_v": 43.45},
         {"r_ref_ohm": 1.25, "tcr_per_k": 0.00393}, {"edges": 4}, {"pauses": [[60, 5]]}, {"pauses": [[60, 30]]},
         {"pipe_od_mm": 629, "pipe_wall_mm": 37, "gap_mm": 1.2, "wire_depth_mm": 1.5, "fitting_wall_mm": 45, "zone_len_mm": 320, "r_ref_ohm": 0.5, "t_fuse_s": 900, "edges": 4}]

if __name__ == "__main__":
    if sys.argv[1:] == ["time"]:
        begin = time.perf_counter()
        solve({"t_fuse_s": 300, "u_v": 30.0, "edges": 4})
        print(time.perf_counter() - begin)
    else:
        os.chdir(os.path.dirname(os.path.abspath(__file__)))
        answers = [{"in": {**BASE, **case}, "out": {k: None if v is None else round(v, 4) for k, v in solve(case).items()},
                    "source": f"SciPy {scipy.__version__}: LSODA on a node-centred mesh of 0.2 mm"} for case in CASES]
        with open("melt.json", "w") as out:
            out.write("[\n" + ",\n".join(json.dumps(a) for a in answers) + "\n]\n")
