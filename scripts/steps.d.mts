import type { ChildProcess } from "node:child_process";

export const root: string;
export function run(command: string, args: readonly string[], options?: object): void;
export function ensureInstalled(): void;
export function ensureBuilt(): void;
export function runScript(path: string, args?: readonly string[], env?: Readonly<Record<string, string>>): void;
export function freePort(from?: number): Promise<number>;
export function startApp(
  port: number,
  env?: Readonly<Record<string, string>>,
  stdio?: "inherit" | "ignore" | number,
): Promise<ChildProcess>;
