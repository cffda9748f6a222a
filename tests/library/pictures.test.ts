import { unzipSync } from "fflate";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { currentVersions } from "@/db/queries/items";
import { picturesKnown } from "@/db/queries/pictures";
import { itemImportState } from "@/features/library/reads/itemImport";
import { pictureFile } from "@/features/library/reads/pictures";
import { makeBank } from "@/features/library/writes/banks";
import { putIntoUse, saveDraft } from "@/features/library/writes/drafts";
import { applyItemImport, beginItemImport } from "@/features/library/writes/importItems";
import { addPicture } from "@/features/library/writes/pictures";
import { takeOutItems } from "@/features/library/writes/takeOutItems";
import { pictureHash } from "@/formats/picture/pictureHash";
import type { Context } from "@/server/runtime/context";
import { bodyWith, putItem } from "../support/newItem";
import { PARTS } from "../support/partsOfEveryKind";
import { png } from "../support/pictures";
import { givePractice, makeClass, open, type TestSchool, testSchool } from "../support/school";

const boat = png(30, 20);
const hash = pictureHash(boat);
const shown = { ...bodyWith(PARTS.number), images: [{ picture: hash, alt: "A boat" }] };
let school: TestSchool;
let ana: Context;
let bankId = "";
beforeEach(async () => {
  school = await testSchool();
  ana = await school.teacher();
  ({ bankId } = await makeBank(ana, { id: school.runtime.newId(), name: "Boats" }));
});
afterEach(() => school.close());

async function written(body = shown): Promise<{ itemId: string; revision: number }> {
  const itemId = school.runtime.newId();
  const { revision } = await saveDraft(ana, { itemId, bankId, revision: 0, body, skillIds: ["ratio-language"] });
  return { itemId, revision };
}

describe("a picture", () => {
  it("is kept once by what it is, and read by whoever knows its name", async () => {
    for (let n = 0; n < 2; n++) expect(await addPicture(ana, boat)).toEqual({ picture: hash });
    expect(await school.db.read.query.pictures.findMany({ columns: { hash: true, width: true } })).toEqual([
      { hash, width: 30 },
    ]);
    const found = await pictureFile(school.student("p"), hash);
    expect(found.type).toBe("image/png");
    expect(Buffer.from(found.bytes).equals(boat)).toBe(true);
    for (const name of ["0".repeat(64), "../secret", ""])
      await expect(pictureFile(ana, name)).rejects.toMatchObject({ code: "not-found" });
  });

  it("is brought in by staff alone, and refused in words that say what can be done", async () => {
    await expect(addPicture(school.student("p"), boat)).rejects.toMatchObject({ code: "not-allowed" });
    await expect(addPicture(ana, new TextEncoder().encode("<b>"))).rejects.toMatchObject({
      message: expect.stringContaining("PNG"),
    });
    await expect(addPicture(ana, new Uint8Array(3_000_000))).rejects.toMatchObject({
      message: expect.stringContaining("2 MB"),
    });
    expect(await picturesKnown(school.db.read, [hash])).toEqual([]);
  });

  it("has to be there, with its words, before an item with it is in use", async () => {
    await expect(putIntoUse(ana, await written())).rejects.toMatchObject({ code: "not-found" });
    await addPicture(ana, boat);
    const silent = { ...shown, images: [{ picture: hash, alt: " " }] };
    await expect(putIntoUse(ana, await written(silent))).rejects.toMatchObject({ code: "invalid" });
    expect((await putIntoUse(ana, await written())).version).toBe(1);
  });

  it("is shown to the student who is given the item", async () => {
    await addPicture(ana, boat);
    await putItem(school, "own/boat", shown);
    const { classId, studentIds } = await makeClass(school, 1);
    const workId = await givePractice(school, classId, studentIds, {
      kind: "amount",
      skillIds: ["ratio-language"],
      items: 4,
      picked: [{ itemId: "own/boat", skillId: "ratio-language", seed: 1 }],
    });
    const view = await open(school, studentIds[0] ?? "", workId);
    expect(view.current?.images).toEqual([{ picture: hash, alt: "A boat" }]);
  });

  it("goes out with its item, and comes into a school that has never seen it", async () => {
    await addPicture(ana, boat);
    await putIntoUse(ana, await written());
    const { bytes } = await takeOutItems(ana, { bankId, format: "package" });
    expect(Object.keys(unzipSync(bytes))).toContain(`pictures/${hash}.png`);
    await expect(takeOutItems(ana, { bankId, format: "csv" })).rejects.toMatchObject({ code: "invalid" });
    const other = await testSchool();
    try {
      const there = await other.teacher();
      const bank = await makeBank(there, { id: other.runtime.newId(), name: "Moved" });
      const draftId = await beginItemImport(there, { bankId: bank.bankId, fileName: "p.zip", bytes });
      let state = await itemImportState(there, draftId, { show: "all", from: 0 });
      while (state.state === "reading") state = await itemImportState(there, draftId, { show: "all", from: 0 });
      if (state.state !== "ready") throw new Error(JSON.stringify(state));
      expect(await picturesKnown(other.db.read, [hash])).toEqual([]);
      await applyItemImport(there, { draftId, fingerprint: state.view.fingerprint });
      expect(await picturesKnown(other.db.read, [hash])).toMatchObject([{ hash, addedBy: "ana" }]);
      const moved = await other.db.read.query.items.findMany({ where: (t, { eq }) => eq(t.bankId, bank.bankId) });
      const [version] = await currentVersions(
        other.db.read,
        moved.map(({ id }) => id),
      );
      expect(version?.body).toEqual(shown);
    } finally {
      other.close();
    }
  });
});
