import { existsSync } from 'node:fs';

const headless = '/usr/bin/chromium-headless-shell';

/** Debian's Chromium: the headless build where it is there, else the whole browser without a window. */
export const chromium = process.env.CHROMIUM ?? (existsSync(headless) ? headless : '/usr/bin/chromium');
