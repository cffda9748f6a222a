export async function steps({ page, base, desk, shoot, browser, slips, signInPupil, openPage, click }: any) {
  const go = async (p: string) => { await page.goto(desk + p, { waitUntil: "networkidle0" }); };
  await go("/regroup");
  const href = await page.$$eval("a", (as: any[]) => as.map((a) => a.getAttribute("href")).find((h) => /regroup\/[0-9a-f-]{20,}$/.test(h ?? "")));
  console.log(href);
  await page.goto(base + href + "/plan?minutes=25", { waitUntil: "networkidle0" }); await shoot(page, "reteach25", true);
  await go("/library/inference"); await shoot(page, "skill-inference", true);
  const pupil = slips.find((s: any) => s.className === "6 Alder" && s.name.startsWith("Teodor"));
  const p = await openPage(await browser.createBrowserContext(), 820, 1180);
  await signInPupil(p, base, pupil);
  await shoot(p, "river");
}
