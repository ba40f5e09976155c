import jsQR from 'jsqr';
import { PNG } from 'pngjs';
import type { Locator } from '@playwright/test';

/** What a camera reads off what is drawn. */
export async function readCode(code: Locator): Promise<string | undefined> {
  const { data, width, height } = PNG.sync.read(await code.screenshot());
  return jsQR(new Uint8ClampedArray(data), width, height)?.data;
}
