export async function steps({ page, desk, shoot }: any) {
  const go = async (p: string) => { await page.goto(desk + p, { waitUntil: "networkidle0" }); };
  await go("/library"); await shoot(page, "lib");
  await go("/library/rounding"); await shoot(page, "skill-rounding", true);
  await go("/evidence"); await shoot(page, "map");
  await go("/plan"); await shoot(page, "plan");
  await go("/work/new"); await shoot(page, "assign");
  await go("/library/map"); await shoot(page, "skillmap");
}
