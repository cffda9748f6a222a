import "server-only";
import type { InStatement, ResultSet } from "@libsql/client";

export interface Worded {
  readonly sql: string;
  readonly args: readonly unknown[];
}

/** What runs single statements: a connection to a file of this machine, or to a remote server. */
export interface Statements {
  /** One statement as the query builder hands it over. */
  execute(statement: InStatement | string): Promise<ResultSet>;
  /** Several that change something, one after another; rows changed by each. */
  runAll(statements: readonly Worded[]): Promise<readonly number[]>;
  rowsOf<Row>(statement: Worded): Promise<readonly Row[]>;
}

/** A connection on which one transaction at a time runs. */
export interface WriteConnection extends Statements {
  begin(): Promise<void>;
  commit(): Promise<void>;
  /** Takes back what is open; quietly, since after a failed disk that may fail too. */
  end(): Promise<void>;
  /** After a fault: the next transaction gets a connection of its own. */
  renew(): Promise<void>;
  close(): void;
}
