/**
 * A name without an address, for what came without one: nothing of ours can be fetched by it.
 * @example ownUri("a1") // "urn:uuid:a1"
 */
export const ownUri = (caseId: string): string => `urn:uuid:${caseId}`;
