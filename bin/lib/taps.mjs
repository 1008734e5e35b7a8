// What the robots that walk the procedures told: taps and seconds of each, from the report of Playwright.
import { readFileSync } from 'node:fs'

const specs = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specs)]
const report = JSON.parse(readFileSync(process.argv[2], 'utf8'))
const told = report.suites
  .flatMap(specs)
  .flatMap((spec) => spec.tests)
  .flatMap((test) => test.annotations)
for (const { description } of told.filter((one) => one.type === 'robot')) console.log(description)
