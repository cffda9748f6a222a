import { Agent, request } from "node:http";

export interface Figures {
  /** Answered requests a second that did what they were for. */
  readonly rate: number;
  readonly p95: number;
  readonly longest: number;
  readonly failed: number;
}

/** One client of the load: what it sends next, and what it makes of the reply. */
export interface LoadClient {
  next(): { readonly path: string; readonly headers: Readonly<Record<string, string>>; readonly body: string } | null;
  /** Whether the reply did what the request was for. */
  take(status: number, body: string): boolean;
}

/** Clients that each wait for the reply before they send again, as children do; for so many seconds, or until something has ended. */
export async function load(
  base: string,
  clients: readonly LoadClient[],
  over: number | Promise<unknown>,
): Promise<Figures> {
  const agent = new Agent({ keepAlive: true, maxSockets: clients.length });
  const times: number[] = [];
  let [good, failed] = [0, 0];
  const began = performance.now();
  let until = typeof over === "number" ? began + over * 1000 : Number.POSITIVE_INFINITY;
  const stop = () => {
    until = 0;
  };
  if (typeof over !== "number") over.then(stop, stop);
  const work = async (client: LoadClient) => {
    while (performance.now() < until) {
      const message = client.next();
      if (!message) throw new Error("A client of the load has nothing left to send; the figures would say nothing.");
      const sent = performance.now();
      const reply = await post(agent, base, message).catch(() => null);
      times.push(performance.now() - sent);
      if (reply && client.take(reply.status, reply.text)) good++;
      else failed++;
    }
  };
  await Promise.all(clients.map(work));
  await over;
  const took = (performance.now() - began) / 1000;
  agent.destroy();
  times.sort((x, y) => x - y);
  return { rate: good / took, p95: times[Math.floor(times.length * 0.95)] ?? 0, longest: times.at(-1) ?? 0, failed };
}

function post(
  agent: Agent,
  base: string,
  { path, headers, body }: NonNullable<ReturnType<LoadClient["next"]>>,
): Promise<{ readonly status: number; readonly text: string }> {
  return new Promise((resolve, reject) => {
    const asked = request(`${base}${path}`, { agent, method: "POST", headers }, (response) => {
      response.setEncoding("utf8");
      let text = "";
      response.on("data", (part: string) => {
        text += part;
      });
      response.on("end", () => resolve({ status: response.statusCode ?? 0, text }));
      response.on("error", reject);
    });
    asked.on("error", reject);
    asked.end(body);
  });
}
