import { spawn, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import type { FieldError } from '@/core/sums/fieldErrors';
import { answerIn } from '@/ui/outbox/answerIn';
import { SERVER, SERVER_ENV } from '../../scripts/served.mjs';

/** Every attack has a server of its own at this machine, with data of its own in a folder that goes again. */
export interface Attacked {
  base: string;
  data: string;
  child: ChildProcess;
  /** What it wrote to its error output. */
  faults: string[];
  /** The most memory that it ever had, MB. */
  mostMb: () => Promise<number>;
  nowMb: () => Promise<number>;
  stop: (signal?: NodeJS.Signals) => Promise<void>;
}

const field = async (pid: number, name: string): Promise<number> => {
  const status = await readFile(`/proc/${pid}/status`, 'utf8').catch(() => '');
  return Math.round(Number(new RegExp(`${name}:\\s+(\\d+)`).exec(status)?.[1] ?? 0) / 1024);
};

export const newFolder = async (): Promise<string> =>
  path.join(await mkdtemp(path.join(tmpdir(), 'kvell-attack-')), 'data-test');
export const removeFolder = (data: string): Promise<void> => rm(path.dirname(data), { recursive: true, force: true });

/** Starts the built application and waits until it answers. */
export async function attacked(port: number, data: string, env: Record<string, string> = {}): Promise<Attacked> {
  const child = spawn(process.execPath, [...SERVER, '127.0.0.1', String(port)], {
    env: { ...process.env, ...SERVER_ENV, KVELL_DATA: data, ...env },
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  const faults: string[] = [];
  child.stderr!.on('data', (part: Buffer) => faults.push(part.toString()));
  const base = `http://127.0.0.1:${port}`;
  const gone = new Promise<void>((resolve) => child.once('close', () => resolve()));
  for (let i = 0; i < 400; i++) {
    const up = await fetch(`${base}/icon.svg`).then(
      (response) => response.status < 500,
      () => false,
    );
    if (up) break;
    await pause(25);
  }
  return {
    base,
    data,
    child,
    faults,
    mostMb: () => field(child.pid!, 'VmHWM'),
    nowMb: () => field(child.pid!, 'VmRSS'),
    stop: async (signal = 'SIGTERM') => {
      child.kill(signal);
      await gone;
    },
  };
}

interface Action {
  id: string;
  /** Pages that know it. */
  pages: string[];
}

/** Every action of the built application, by its file and name. */
export function actionsOfBuild(): Map<string, Action> {
  const manifest = JSON.parse(readFileSync('.next/server/server-reference-manifest.json', 'utf8')) as {
    node: Record<string, { workers: Record<string, unknown>; filename: string; exportedName: string }>;
  };
  return new Map(
    Object.entries(manifest.node).map(([id, { workers, filename, exportedName }]) => [
      `${filename.replace(/^src\//, '').replace(/\.ts$/, '')}#${exportedName}`,
      { id, pages: Object.keys(workers) },
    ]),
  );
}

export interface Called {
  status: number;
  /** What the action answered; `undefined` where that cannot be read. */
  answer: { ok: boolean; value?: unknown; errors?: FieldError[] } | undefined;
  /** All of it. */
  body: string;
}

/** A page that holds an action, of a machine that is not there. */
function pageOf({ pages }: Action): string {
  const none = '00000000-0000-4000-8000-000000000000';
  const page = (pages.find((name) => !/_not-found|enter/.test(name)) ?? pages[0]!)
    .replace(/^app/, '')
    .replace(/\/page$/, '')
    .replace('[stage]', 'keys')
    .replace(/\[\w+\]/g, none);
  return page || '/';
}

/**
 * Calls an action as a page of Kvell would.
 *
 * @param at the page that it is called from, which is drawn anew with the answer
 */
export async function call(
  base: string,
  action: Action,
  args: unknown,
  headers: Record<string, string> = {},
  at = pageOf(action),
): Promise<Called> {
  const { id } = action;
  const response = await fetch(`${base}${at}`, {
    method: 'POST',
    headers: {
      'next-action': id,
      origin: base,
      'content-type': 'text/plain;charset=UTF-8',
      accept: 'text/x-component',
      ...headers,
    },
    body: typeof args === 'string' ? args : JSON.stringify(args),
  });
  const body = await response.text();
  return { status: response.status, answer: answerIn(body), body };
}

/** A random number that is the same in every run. */
export function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 1664525 + 1013904223) % 2 ** 32;
    return state / 2 ** 32;
  };
}

/** What one attack came to. */
export function tell(name: string, tries: number, failures: readonly string[], more = ''): void {
  console.log(
    `  ${name.padEnd(8)} ${String(tries).padStart(6)} tries, ${failures.length} failures${more ? `; ${more}` : ''}`,
  );
  for (const failure of failures.slice(0, 12)) console.log(`           ${failure.slice(0, 240)}`);
}
