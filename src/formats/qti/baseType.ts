export type BaseType = "identifier" | "directedPair" | "float" | "integer" | "string" | "point" | "boolean";
