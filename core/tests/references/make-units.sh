#!/usr/bin/env bash
# Writes units.csv: conversion factors by GNU Units, to hold ours against. Needs the Debian package "units".
cd "$(dirname "${BASH_SOURCE[0]}")"
{
  echo "# $(units --version | head -n 1); text,kind,SI by GNU Units"
  while IFS='|' read -r text kind gnu si; do
    printf '%s|%s|%s\n' "$text" "$kind" "$(units -t -o '%.15g' "$gnu" "$si")"
  done <<'ROWS'
1 in|length|1 inch|m
1 ft|length|1 ft|m
1 yd|length|1 yard|m
1 thou|length|1 thou|m
1 psi|pressure|1 psi|Pa
1 ksi|pressure|1000 psi|Pa
1 bar|pressure|1 bar|Pa
1 atm|pressure|1 atm|Pa
1 kgf/cm2|pressure|1 kgf/cm^2|Pa
1 mH2O|pressure|1 m H2O|Pa
1 ftH2O|pressure|1 ft H2O|Pa
1 inHg|pressure|1 inHg|Pa
1 mmHg|pressure|1 mmHg|Pa
1 ft-lb|torque|1 ft lbf|N m
1 in-lb|torque|1 inch lbf|N m
1 kgf.m|torque|1 kgf m|N m
1 lbf|force|1 lbf|N
1 kgf|force|1 kgf|N
1 lb|mass|1 lb|kg
1 short ton|mass|1 shortton|kg
1 long ton|mass|1 longton|kg
1 US gal|volume|1 usgallon|m^3
1 imp gal|volume|1 brgallon|m^3
1 ft3|volume|1 ft^3|m^3
1 yd3|volume|1 yd^3|m^3
1 US gpm|flow|1 usgallon/min|m^3/s
1 imp gpm|flow|1 brgallon/min|m^3/s
73 °F|temperature|tempF(73)|tempC
-40 °F|temperature|tempF(-40)|tempC
10 °F|temperature_difference|10 degF|K
1 ftUS|chainage|1 surveyfoot|m
ROWS
} > units.csv
