import "server-only";
import type { Client, InStatement, InValue, Transaction } from "@libsql/client";
import type { Statements, Worded, WriteConnection } from "./statements";

const asStatement = ({ sql, args }: Worded): InStatement => ({ sql, args: [...args] as InValue[] });

/** Reads of a remote server: each a request of its own. */
export function remoteReads(client: Client): Statements {
  return {
    execute: (statement) => client.execute(statement as InStatement),
    runAll: async (statements) =>
      (await client.batch(statements.map(asStatement))).map(({ rowsAffected }) => rowsAffected),
    rowsOf: async <Row>(statement: Worded) => (await client.execute(asStatement(statement))).rows as unknown as Row[],
  };
}

/** Transactions on a remote server; what can go together goes as one request. */
export function remoteWrites(client: Client): WriteConnection {
  let open: Transaction | null = null;
  const inside = (): Transaction => {
    if (!open) throw new Error("A query was run after its transaction had ended.");
    return open;
  };
  return {
    execute: (statement) => inside().execute(statement as InStatement),
    runAll: async (statements) =>
      (await inside().batch(statements.map(asStatement))).map(({ rowsAffected }) => rowsAffected),
    rowsOf: async <Row>(statement: Worded) => (await inside().execute(asStatement(statement))).rows as unknown as Row[],
    begin: async () => {
      open = await client.transaction("write");
    },
    commit: () => inside().commit(),
    end: async () => {
      open?.close();
      open = null;
    },
    // Reads share the client; it opens a stream of its own for each transaction.
    renew: async () => {},
    close: () => client.close(),
  };
}
