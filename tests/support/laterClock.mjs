/**
 * Loaded before anything else (`node --import`), it moves a process's clock ahead by the days of OXBOW_TEST_DAYS_LATER: the
 * tests, and the applications that they start, then run as if today were another day.
 */
const shift = Number(process.env.OXBOW_TEST_DAYS_LATER ?? 0) * 86_400_000;
if (shift !== 0) {
  const RealDate = Date;
  const now = () => RealDate.now() + shift;
  globalThis.Date = new Proxy(RealDate, {
    construct: (target, args, as) => Reflect.construct(target, args.length === 0 ? [now()] : args, as),
    apply: () => new RealDate(now()).toString(),
    get: (target, name) => (name === "now" ? now : Reflect.get(target, name)),
  });
}
