#!/usr/bin/python3
"""Writes published.jsonl: rows of published tables, one example each, with the table named beside it.

The rows were typed from memory of the tables named; a row that another source contradicts is mended here.
"""
import json
import os

os.chdir(os.path.dirname(os.path.abspath(__file__)))
out = open("published.jsonl", "w")


def write(calc, given, wanted, source, **tolerance):
    out.write(json.dumps({"calc": calc, "in": given, "out": wanted, "source": source, **tolerance}, ensure_ascii=False) + "\n")


PE = "EN 12201-2 and ISO 4427-2, Table 2: least wall (from memory)"
SIZES = (20, 25, 32, 40, 50, 63, 75, 90, 110, 125, 140, 160, 180, 200, 225, 250, 280, 315, 355, 400, 450, 500, 560, 630)
WALLS = {
    11: (2.0, 2.3, 3.0, 3.7, 4.6, 5.8, 6.8, 8.2, 10.0, 11.4, 12.7, 14.6, 16.4, 18.2, 20.5, 22.7, 25.4, 28.6, 32.2, 36.3, 40.9, 45.4, 50.8, 57.2),
    7.4: (None, None, None, 5.5, 6.9, 8.6, 10.3, 12.3, 15.1, 17.1, 19.2, 21.9, 24.6, 27.4, 30.8, 34.2, 38.3, 43.1, 48.5, 54.7, 61.5, None, None, None),
    13.6: (None, None, None, 3.0, 3.7, 4.7, 5.6, 6.7, 8.1, 9.2, 10.3, 11.8, 13.3, 14.7, 16.6, 18.4, 20.6, 23.2, 26.1, 29.4, 33.1, 36.8, 41.2, 46.3),
    21: (None, None, None, 2.0, 2.4, 3.0, 3.6, 4.3, 5.3, 6.0, 6.7, 7.7, 8.6, 9.6, 10.8, 11.9, 13.4, 15.0, 16.9, 19.1, 21.5, 23.9, 26.7, 30.0),
    26: (None, None, None, None, 2.0, 2.5, 2.9, 3.5, 4.2, 4.8, 5.4, 6.2, 6.9, 7.7, 8.6, 9.6, 10.7, 12.1, 13.6, 15.3, 17.2, 19.1, 21.4, 24.1),
    17: (None, None, 2.0, 2.4, 3.0, 3.8, 4.5, 5.4, 6.6, 7.4, 8.3, 9.5, 10.7, 11.9, 13.4, 14.8, 16.6, 18.7, 21.1, 23.7, 26.7, 29.7, 33.2, 37.4),
}
for sdr, walls in WALLS.items():
    for dn, wall in zip(SIZES, walls):
        if wall is not None:
            write("pe-pipe-metric", {"dn_mm": dn, "sdr": sdr}, {"e_min_mm": wall}, PE, abs=0.0001)
# Two sizes whose largest diameter nobody here is sure of (40 and 50) are left to the user's standard.
LARGEST = {32: 32.3, 63: 63.4, 75: 75.5, 90: 90.6, 110: 110.7, 125: 125.8, 140: 140.9, 160: 161.0, 180: 181.1, 200: 201.2, 225: 226.4, 250: 251.5,
           280: 281.7, 315: 316.9, 355: 357.2, 400: 402.4, 450: 452.7, 500: 503.0, 560: 563.4, 630: 633.8}
for dn, most in LARGEST.items():
    write("pe-pipe-metric", {"dn_mm": dn, "sdr": 11}, {"od_min_mm": dn, "od_max_mm": most}, "EN 12201-2, Table 1: mean outside diameter, grade B (from memory)", abs=0.0001)
# Outside diameter, its tolerance, and the least wall at DR 11 and DR 17, inches.
F714 = {3: (3.5, 0.016, 0.318, 0.206), 4: (4.5, 0.020, 0.409, 0.265), 6: (6.625, 0.030, 0.602, 0.390), 8: (8.625, 0.039, 0.784, 0.507), 10: (10.75, 0.048, 0.977, 0.632), 12: (12.75, 0.057, 1.159, 0.750),
        14: (14.0, 0.063, 1.273, 0.824), 16: (16.0, 0.072, 1.455, 0.941), 18: (18.0, 0.081, 1.636, 1.059), 20: (20.0, 0.090, 1.818, 1.176), 24: (24.0, 0.108, 2.182, 1.412)}
for nominal, (od, tolerance, *walls) in F714.items():
    for dr, wall in zip((11, 17), walls):
        write("pe-pipe-us", {"od_in": od, "dr": dr}, {"wall_min_in": wall, "od_min_in": od - tolerance, "od_max_in": od + tolerance},
              "ASTM F714, IPS sizes: diameters, tolerances and least walls (from memory)", abs=0.00101)
DEW = {30: {50: 18.4, 60: 21.4, 70: 23.9}, 25: {50: 13.9, 60: 16.7, 70: 19.1}, 20: {50: 9.3, 60: 12.0, 70: 14.4}, 15: {50: 4.7, 60: 7.3, 70: 9.6}, 10: {60: 2.6, 70: 4.8}}
for air, row in DEW.items():
    for rh, dew in row.items():
        write("dew-point", {"air_c": air, "rh_pct": rh}, {"dew_c": dew}, "DIN 4108-3, table of dew points (from memory)", abs=0.1)
for t, density in {4: 999.97, 10: 999.70, 15: 999.10, 20: 998.21, 25: 997.05, 30: 995.65, 40: 992.2}.items():
    write("water-properties", {"t_degc": t}, {"density_kg_m3": density}, "CRC Handbook, density of water (from memory)", abs=0.03)
for t, compressibility in {0: 5.089e-10, 10: 4.781e-10, 20: 4.589e-10, 30: 4.477e-10}.items():
    write("water-properties", {"t_degc": t}, {"bulk_modulus_gpa": 1e-9 / compressibility}, "CRC Handbook, isothermal compressibility of water (from memory)", rel=1e-3)
C600 = {150: {4: 0.33, 6: 0.50, 8: 0.66, 10: 0.83, 12: 0.99, 16: 1.32, 24: 1.99}, 200: {4: 0.38, 6: 0.57, 8: 0.76, 10: 0.96, 12: 1.15, 16: 1.53, 24: 2.29}}
for psi, row in C600.items():
    for inch, gallons in row.items():
        write("makeup-allowance", {"method": "sdp-148000", "segments": [{"length_ft": 1000, "dn_in": inch}], "p_avg_psi": psi, "duration_h": 2}, {"rate_gal_h": gallons},
              "AWWA C600, table of make-up water for 1000 ft (from memory; printed to 0.01)", abs=0.0051)
for dn_mm, litres in {100: 7.854, 150: 17.671, 200: 31.416, 300: 70.686, 400: 125.664}.items():
    write("fill-plan", {"segments": [{"length_m": 1, "id_mm": dn_mm}], "rate_l_s": 1, "v_max_m_s": 0.3}, {"volume_m3": litres / 1000}, "handbook, litres in a metre of pipe", rel=1e-4)
for inch, gallons in {4: 0.653, 6: 1.469, 8: 2.611, 12: 5.875}.items():
    write("fill-plan", {"segments": [{"length_ft": 1, "id_in": inch}], "rate_l_s": 1, "v_max_m_s": 0.3}, {"volume_m3": gallons * 0.003785411784}, "handbook, US gallons in a foot of pipe", rel=1e-3)
for metres, kpa in {10: 98.0665, 50: 490.3325}.items():
    write("test-gauge-window", {"points": [{"elevation_m": 0, "p_max_kpa": 3000}], "gauge_elevation_m": metres, "p_gauge_kpa": 0}, {"point_kpa": [kpa]}, "conventional metre of water, 9.80665 kPa", rel=1e-9)
for nominal, inches in {4: 4.80, 6: 6.90, 8: 9.05, 10: 11.10, 12: 13.20, 16: 17.40, 24: 25.80}.items():
    write("pipe-od", {"series": "awwa-ciod", "nominal": nominal}, {"od_m": inches * 0.0254}, "AWWA C151, outside diameters (from memory)", rel=1e-9)
out.close()
