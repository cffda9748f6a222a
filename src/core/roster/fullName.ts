/**
 * A person's whole name, in the order in which it is written here.
 * @example fullName({ givenName: "Ada", familyName: "Quill" }) // "Ada Quill"
 */
export const fullName = ({
  givenName,
  familyName,
}: {
  readonly givenName: string;
  readonly familyName: string;
}): string => `${givenName} ${familyName}`.trim();
