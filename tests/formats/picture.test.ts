import { strFromU8, unzipSync, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { pictureHash } from "@/formats/picture/pictureHash";
import { readPicture } from "@/formats/picture/readPicture";
import { writePackage } from "@/formats/qti/writePackage";
import { bodyWith } from "../support/newItem";
import { olderItem, outgoing, packageOf, readAll, responseTo } from "../support/packages";
import { PARTS } from "../support/partsOfEveryKind";
import { png, svg } from "../support/pictures";

const bytesOf = (text: string) => new TextEncoder().encode(text);

describe("a picture is told by its bytes", () => {
  it("with its size as it is drawn", () => {
    expect(readPicture(png(30, 20))).toEqual({ ok: true, type: "image/png", width: 30, height: 20 });
    const drawn = svg('<defs><path id="a" d="M0 0"/></defs><use href="#a" style="fill:url(#g)"/>');
    expect(readPicture(drawn)).toEqual({ ok: true, type: "image/svg+xml", width: 40, height: 20 });
  });

  it.each([
    ["nothing", new Uint8Array(), "no-picture"],
    ["a page", bytesOf("<html><body><script>alert(1)</script></body></html>"), "no-picture"],
    ["one that ends in its head", new Uint8Array(png(30, 20)).slice(0, 18), "no-picture"],
    ["one of ten megabytes", Buffer.concat([png(30, 20), Buffer.alloc(10_000_000)]), "too-many-bytes"],
    ["one as wide as a street", png(6001, 1), "too-many-pixels"],
    ["a drawing that is cut off", svg("<g>").slice(0, -6), "not-only-drawn"],
  ])("and refused: %s", (_, bytes, why) => {
    expect(readPicture(bytes)).toEqual({ ok: false, why });
  });

  it.each([
    "<script>alert(1)</script>",
    '<g onclick="alert(1)"/>',
    '<image href="https://elsewhere.example/a.png"/>',
    '<image xlink:href="data:image/png;base64,AAAA" xmlns:xlink="http://www.w3.org/1999/xlink"/>',
    '<a href="javascript:alert(1)"><text>x</text></a>',
    "<foreignObject><div>x</div></foreignObject>",
    "<style>@import url(https://elsewhere.example/a.css);</style>",
    '<rect style="fill:url(https://elsewhere.example/a)"/>',
    '<set attributeName="onclick" to="alert(1)"/>',
  ])("a drawing that runs or fetches is refused: %s", (inside) => {
    expect(readPicture(svg(inside))).toEqual({ ok: false, why: "not-only-drawn" });
  });

  it("a drawing with entities of its own is refused", () => {
    const text = `<?xml version="1.0"?><!DOCTYPE svg [<!ENTITY a SYSTEM "file:///etc/passwd">]>${strFromU8(svg("<text>&a;</text>"))}`;
    expect(readPicture(bytesOf(text))).toMatchObject({ ok: false });
  });
});

describe("pictures of a package", () => {
  const boat = png(30, 20);
  const hash = pictureHash(boat);
  const shown = { ...bodyWith(PARTS.number), images: [{ picture: hash, alt: "A boat with {n} oars" }] };

  it("go out with their items, once for all that show them, and come back as they were", () => {
    const items = ["one", "two"].map((id) => outgoing(id, shown));
    const bytes = writePackage("Boats", items, [{ hash, type: "image/png", bytes: boat }]);
    const files = unzipSync(bytes);
    expect(Object.keys(files).filter((name) => name.startsWith("pictures/"))).toEqual([`pictures/${hash}.png`]);
    expect(strFromU8(files["items/one.xml"] ?? new Uint8Array())).toMatch(
      new RegExp(`<img src="../pictures/${hash}.png" alt="A boat with \\d oars" ?/>`),
    );
    const reading = readAll(bytes);
    expect(reading.items.map(({ item, remarks }) => [item?.body, remarks])).toEqual([
      [shown, []],
      [shown, []],
    ]);
    expect(reading.pictures).toEqual([{ hash, bytes: new Uint8Array(boat) }]);
    expect(reading.unread).toEqual([]);
    // Of nothing at all, as FIPS 180-4 has it.
    expect(pictureHash(new Uint8Array())).toBe("e3b0c44298fc1c149afbf4c8996fb92427ae41e4649b934ca495991b7852b855");
  });

  it("that a source names and the package lacks are left out, which is said", () => {
    const files = unzipSync(
      writePackage("Boats", [outgoing("one", shown)], [{ hash, type: "image/png", bytes: boat }]),
    );
    delete files[`pictures/${hash}.png`];
    const [read] = readAll(zipSync(files)).items;
    expect(read?.item?.body.images).toBeUndefined();
    expect(read?.remarks.map(({ code }) => code)).toContain("picture-left-out");
  });

  it("of another program: shown where they can be, with the file's name where words are missing", () => {
    const item = olderItem({
      declarations: responseTo(["4"], { baseType: "integer" }),
      body: '<p>How many? <img src="pics/boat.png" alt="a boat"/><img src="pics/oar.svg" alt=""/><img src="pics/run.svg" alt="a trick"/><img src="pics/gone.png" alt="gone"/></p><p><textEntryInteraction responseIdentifier="RESPONSE"/></p>',
    });
    const files = unzipSync(packageOf({ "items/a.xml": item }));
    const oar = svg('<rect width="4" height="20"/>');
    Object.assign(files, {
      "items/pics/boat.png": boat,
      "items/pics/oar.svg": oar,
      "items/pics/run.svg": svg("<script>1</script>"),
    });
    const { items, pictures } = readAll(zipSync(files));
    expect(items[0]?.item?.body).toMatchObject({
      stem: "How many? [a trick] [gone]",
      images: [
        { picture: hash, alt: "a boat" },
        { picture: pictureHash(oar), alt: "oar.svg" },
      ],
    });
    expect(items[0]?.remarks.map(({ code, at }) => [code, at])).toEqual([
      ["picture-without-words", "oar.svg"],
      ["picture-left-out", "pics/run.svg"],
      ["picture-left-out", "pics/gone.png"],
    ]);
    expect(pictures.map((one) => one.hash)).toEqual([hash, pictureHash(oar)]);
  });
});
