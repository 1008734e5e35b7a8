#!/usr/bin/python3
"""Writes scipy.jsonl: what SciPy answers to the same questions, to hold our calculations against.

Needs the Debian package python3-scipy. Every number is found by a way of its own (a general least-squares
solver, numeric roots, quadrature), never by the formula that the core uses.
"""
import json
import math
import os
from datetime import datetime, timedelta, timezone
from zoneinfo import ZoneInfo

import numpy as np
import scipy
from scipy import integrate, optimize, stats

os.chdir(os.path.dirname(os.path.abspath(__file__)))
rng = np.random.default_rng(20260504)
out = open("scipy.jsonl", "w")


def write(calc, given, wanted, by, **tolerance):
    row = {"calc": calc, "in": given, "out": wanted, "source": by if by.startswith("Python") else f"SciPy {scipy.__version__}: {by}", **tolerance}
    out.write(json.dumps(row) + "\n")


# A round of diameters: long axis and size by a non-linear fit of d0 + A cos 2(theta - phi).
for n in (4, 6, 8, 12):
    for _ in range(4):
        angles = np.arange(n) * 180.0 / n
        d0, a, phi = rng.uniform(100, 600), rng.uniform(1.0, 4.0), rng.uniform(0, 180)
        d = np.round(d0 + a * np.cos(2 * np.radians(angles - phi)) + rng.normal(0, 0.05, n), 2)
        model = lambda t, m, amp, p: m + amp * np.cos(2 * np.radians(t - p))
        best, _ = optimize.curve_fit(model, angles, d, p0=[d.mean(), (d.max() - d.min()) / 2, angles[d.argmax()]], ftol=1e-14, xtol=1e-14)
        m, amp, p = best
        if amp < 0:
            amp, p = -amp, p + 90
        write("ovality-round", {"readings": [{"angle_deg": float(t), "d_mm": float(x)} for t, x in zip(angles, d)], "limit_mm": 5},
              {"d0_mm": m, "a2_mm": amp, "ovality_fit_mm": 2 * amp, "axis_deg": p % 180}, "curve_fit of d0 + A cos 2(theta - phi)", rel=1e-6)

# Gaps round a joint: a tilted plane by least squares; readings at uneven hours.
for hours in ([12, 3, 6, 9], [12, 2, 4, 6, 8, 10], [1, 4.5, 6, 8, 11]):
    for _ in range(4):
        d, g0, a, phi = rng.uniform(0.1, 0.9), rng.uniform(0.008, 0.02), rng.uniform(0.001, 0.006), rng.uniform(0, 360)
        theta = np.radians(30 * np.array(hours))
        g = np.round(g0 + a * np.cos(theta - math.radians(phi)) + rng.normal(0, 0.0002, len(hours)), 4)
        fit = optimize.least_squares(lambda x: x[0] + x[1] * np.cos(theta) + x[2] * np.sin(theta) - g, [g.mean(), 0, 0], xtol=1e-15, ftol=1e-15, gtol=1e-15)
        tilt = math.degrees(math.atan(2 * math.hypot(fit.x[1], fit.x[2]) / d))
        write("joint-gap-fit", {"readings": [{"hour": h, "gap_m": float(x)} for h, x in zip(hours, g)], "lever_diameter_m": d, "clock_view": "up-chainage"},
              {"mean_gap_m": fit.x[0], "angle_deg": tilt, "widest_hour": (math.degrees(math.atan2(fit.x[2], fit.x[1])) / 30) % 12 or 12.0},
              "least_squares on the plane", rel=1e-5)

# Energy of a fusion: quadrature over uneven samples, all under power.
for _ in range(6):
    t = np.round(np.cumsum(np.concatenate([[0], rng.uniform(0.4, 2.0, 120)])), 2)
    u = np.round(39.5 + rng.normal(0, 0.08, t.size), 3)
    i = np.round(u / (1.6 * (1 + 0.01 * t / t[-1])), 4)
    write("fusion-trace", {"samples": [[float(a), float(b), float(c)] for a, b, c in zip(t, u, i)], "u_nom_v": 39.5, "t_plan_s": float(t[-1]), "r_nom_ohm": 1.6},
          {"energy_j": float(integrate.trapezoid(u * i, t)), "fused_s": float(t[-1] - t[0])}, "integrate.trapezoid", rel=1e-9)

# Slope of a hold, once a minute with white noise: ordinary and robust.
for _ in range(6):
    t = np.arange(0, 7200 + 1, 60.0)
    p = np.round(1500 - rng.uniform(0, 20) * t / 3600 + rng.normal(0, 0.5, t.size), 3)
    line = stats.linregress(t, p)
    robust = stats.theilslopes(p, t)
    write("hold-slope", {"series": [[float(a), float(b)] for a, b in zip(t, p)]}, {"slope_kpa_h": line.slope * 3600, "theil_sen_kpa_h": robust[0] * 3600}, "linregress and theilslopes", rel=1e-6)


# Dew point by another formula: Hyland and Wexler 1983 over water, inverted by bisection.
def saturation(c):
    k = c + 273.15
    return math.exp(-5800.2206 / k + 1.3914993 - 0.048640239 * k + 4.1764768e-5 * k**2 - 1.4452093e-8 * k**3 + 6.5459673 * math.log(k))


for air in (2, 8, 15, 20, 25, 32, 38):
    for rh in (40, 60, 80, 95):
        vapour = saturation(air) * rh / 100
        if vapour > saturation(0):
            write("dew-point", {"air_c": air, "rh_pct": rh}, {"dew_c": optimize.brentq(lambda x: saturation(x) - vapour, -5, 60, xtol=1e-10)}, "brentq on Hyland and Wexler 1983", abs=0.1)

# Decay of a shut polyethylene line: a power law with noise-free readings has one slope everywhere.
for n in (0.07, 0.09, 0.115):
    load = 7.5
    times = [load, 7 * load, 15 * load]
    p = [1200 * (1 + 2.5 * x / load) ** -n for x in times]
    line = stats.linregress([math.log(x + 0.4 * load) for x in times], [math.log(x) for x in p])
    write("pe-three-point", {"t_load_min": load, "readings": [[x, y] for x, y in zip(times, p)], "n1_min": 0.04, "n_max": 0.13}, {"n1": -line.slope, "n2": -line.slope, "ratio": 1.0, "verdict": "good"}, "linregress on log paper", rel=1e-6)

# Pressure against level, by integrating the weight of the water column between the points.
for _ in range(4):
    z = np.round(rng.uniform(80, 120, 4), 2)
    gauge, shows = float(np.round(rng.uniform(80, 120), 2)), float(np.round(rng.uniform(600, 1500)))
    at = [shows + integrate.quad(lambda _h: 1000 * 9.80665, float(level), gauge)[0] / 1000 for level in z]
    write("test-gauge-window", {"points": [{"elevation_m": float(level), "p_max_kpa": 3000} for level in z], "gauge_elevation_m": gauge, "p_gauge_kpa": shows}, {"point_kpa": at}, "integrate.quad of rho g dz", rel=1e-9)

# Volume of a pipe from its bore, by integrating its cross-section.
for bore in (90.0, 184.0, 300.0, 512.5):
    area = integrate.quad(lambda y: 2 * math.sqrt(max(0.0, (bore / 2000) ** 2 - y * y)), -bore / 2000, bore / 2000)[0]
    write("fill-plan", {"segments": [{"length_m": 321.5, "id_mm": bore}], "rate_l_s": 8, "v_max_m_s": 0.3}, {"volume_m3": area * 321.5, "fill_h": area * 321.5 / 0.008 / 3600, "velocity_m_s": 0.008 / area}, "integrate.quad of the cross-section", rel=1e-6)

# Cooling clock across the changes of daylight-saving time and midnight: Python's own calendar and time zones.
for end, zone in (("2026-10-25T02:50:00+02:00", "Europe/Vienna"), ("2026-03-29T01:55:30+01:00", "Europe/Vienna"), ("2026-11-01T01:45:00-04:00", "America/New_York"),
                  ("2026-12-31T23:50:00+10:30", "Australia/Adelaide"), ("2026-02-28T23:59:59+05:45", "Asia/Kathmandu")):
    for cooling, factor in ((12, 4), (35, 3)):
        start = datetime.fromisoformat(end).astimezone(timezone.utc)
        off, test = start + timedelta(minutes=cooling), start + timedelta(minutes=cooling * factor)
        local = off.astimezone(ZoneInfo(zone))
        write("cooling-clock", {"fusion_end": end, "cooling_min": cooling, "time_zone": zone, "test_rule": {"type": "multiple", "factor": factor}},
              {"dismantle_utc": off.strftime("%Y-%m-%dT%H:%M:%SZ"), "test_utc": test.strftime("%Y-%m-%dT%H:%M:%SZ"), "dismantle_local": local.isoformat()}, "Python's datetime and zoneinfo", rel=0)
out.close()
