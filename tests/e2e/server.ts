import { spawn, type ChildProcess } from 'node:child_process';
import { cpSync, existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

const published = resolve(import.meta.dirname, '../../artifacts/server');

interface Start {
  /** Instant that the shop's clock shows at the start. */
  clock: string;
  empty?: boolean;
  /** A language file's content: from English templates to other words. */
  language?: Readonly<Record<string, string>>;
  /** More of the server's options, as environment. */
  env?: Readonly<Record<string, string>>;
}

/**
 * A server of a test lives for a minute: compiling again what is called often costs more than it will ever save (more than
 * half of its processor time, measured). It is left for ten minutes.
 */
const compiledOnce = { DOTNET_TieredPGO: '0', DOTNET_TC_CallCountingDelayMs: (600_000).toString(16) };

/** When most shops of the tests open. */
export const usualClock = '2026-05-06T09:00:00Z';

/** Where a shop that was opened then stands ready, so that its demo data is not made anew for each of them. */
export const usualShop = 'E2E_USUAL_SHOP';

/** The published server on a port and a database of its own. It can be killed without warning and started again. */
export class ShopServer {
  private process: ChildProcess | undefined;
  private port = 0;

  constructor(readonly folder = mkdtempSync(join(tmpdir(), 'able-mend-'))) {}

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async start({ clock, empty = false, language, env = {} }: Start): Promise<void> {
    this.port ||= await freePort();
    const database = join(this.folder, 'shop.db');
    const ready = process.env[usualShop];
    if (ready && clock === usualClock && !empty && !language && !existsSync(database)) cpSync(ready, this.folder, { recursive: true });
    const words = join(this.folder, 'words.json');
    if (language) writeFileSync(words, JSON.stringify(language));
    this.process = spawn(join(published, 'AbleMend.Server'), [], {
      cwd: published,
      stdio: 'ignore',
      env: {
        ...process.env,
        ...compiledOnce,
        AbleMend__Port: String(this.port),
        AbleMend__Database: database,
        AbleMend__Empty: String(empty),
        AbleMend__Clock: clock,
        ...env,
        ...(language ? { AbleMend__Language: words } : {}),
      },
    });
    for (let i = 0; i < 150; i++) {
      const up = await fetch(`${this.url}/api/shop`).then(
        (answer) => answer.ok,
        () => false,
      );
      if (up) return;
      await new Promise((wake) => setTimeout(wake, 200));
    }
    throw new Error('The server did not start.');
  }

  /** kill -9: nothing is flushed, nothing is said. */
  async kill(): Promise<void> {
    if (this.process?.exitCode !== null || this.process.signalCode !== null) return;
    const ended = new Promise((gone) => this.process!.once('exit', gone));
    this.process.kill('SIGKILL');
    await ended;
  }

  async dispose(): Promise<void> {
    await this.kill();
    rmSync(this.folder, { recursive: true, force: true });
  }
}

export function freePort(): Promise<number> {
  return new Promise((found, failed) => {
    const probe = createServer();
    probe.once('error', failed);
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => found(typeof address === 'object' && address ? address.port : 0));
    });
  });
}
