import { existsSync } from 'node:fs'

/** Debian's Chromium: without a window where it is there, which takes a quarter less time, else the whole browser. */
export const CHROMIUM = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find((path) => existsSync(path)) ?? '/usr/bin/chromium'
