#!/usr/bin/python3
"""The same steps on a logger's file with NumPy and SciPy, for the ratio that bin/bench prints: read, drop spikes, slope.

`log.py FILE` prints the seconds that it takes, and the slope in kPa per hour. Needs the Debian package python3-scipy.
"""
import sys
import time

import numpy as np
from scipy import ndimage

began = time.perf_counter()
with open(sys.argv[1], encoding="utf-8") as file:
    next(file)
    stamps, values = zip(*(row.rstrip("\n").split(";") for row in file))
times = np.array(stamps, dtype="datetime64[s]").astype("int64").astype(float)
pressures = np.array(values, dtype=float)
order = np.argsort(times, kind="stable")
times, pressures = times[order], pressures[order]
middle = ndimage.median_filter(pressures, 7, mode="nearest")
spread = ndimage.median_filter(np.abs(pressures - middle), 7, mode="nearest")
kept = np.abs(pressures - middle) <= np.maximum(8 * spread, 10)
times, pressures = times[kept], pressures[kept]
blocks = np.array_split(np.arange(len(times)), 240)
x = np.array([times[block].mean() for block in blocks]) / 3600
y = np.array([pressures[block].mean() for block in blocks])
slope = np.polyfit(x - x.mean(), y, 1)[0]
print(time.perf_counter() - began, slope)
