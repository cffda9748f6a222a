/** An element with its attributes and what it holds, in order. Read elements know their line. */
export interface Xml {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly XmlNode[];
  readonly line?: number;
}
export type XmlNode = Xml | string;

/**
 * An element; attributes without a value are left out.
 * @example xml("p", { class: undefined }, "Hello") // { name: "p", attributes: {}, children: ["Hello"] }
 */
export function xml(
  name: string,
  attributes: Readonly<Record<string, string | undefined>> = {},
  ...children: readonly XmlNode[]
): Xml {
  const given = Object.entries(attributes).filter((one): one is [string, string] => one[1] !== undefined);
  return { name, attributes: Object.fromEntries(given), children };
}

export const isXml = (node: XmlNode): node is Xml => typeof node !== "string";

/** Elements right under one, all or those of a name. */
export const childrenOf = (parent: Xml, name?: string): Xml[] =>
  parent.children.filter(isXml).filter((child) => name === undefined || child.name === name);

/** The first element of a name right under one. */
export const childOf = (parent: Xml, name: string): Xml | undefined => childrenOf(parent, name)[0];

/** Elements anywhere within, in the order of the document, for which a condition holds; what is within those is left out. */
export function within(parent: Xml, holds: (element: Xml) => boolean): Xml[] {
  return parent.children.filter(isXml).flatMap((child) => (holds(child) ? [child] : within(child, holds)));
}

/** Elements of a name anywhere within, in the order of the document. */
export const named = (parent: Xml, name: string): Xml[] => within(parent, (element) => element.name === name);

/** All text within, as it stands. */
export const rawText = (node: XmlNode): string => (isXml(node) ? node.children.map(rawText).join("") : node);
