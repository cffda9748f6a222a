import "server-only";
import ipaddr from "ipaddr.js";
import type { PersonRow } from "@/db/queries/people";
import type { Door } from "./doors";
import { tokenHashOf } from "./secrets";

/** Whose door it is. Staff are told by their address, known or not: a door that only known ones have would tell them apart. */
export const emailKey = (email: string): string => `email ${tokenHashOf(email.trim().toLowerCase())}`;
export const personKey = (personId: string): string => personId;

/** All doors that wrong tries at a person's secrets may have shut. */
export const doorsOf = ({ id, email }: Pick<PersonRow, "id" | "email">): string[] =>
  email === null ? [personKey(id)] : [personKey(id), emailKey(email)];

/** Bits of an IPv6 address that one household or school is given as a whole. */
const IPV6_BLOCK_BITS = 64;

/** The part of an address that one household or school shares. */
export function addressBlock(address: string): string {
  if (!ipaddr.isValid(address)) return address;
  const parsed = ipaddr.process(address);
  return parsed instanceof ipaddr.IPv6
    ? ipaddr.IPv6.networkAddressFromCIDR(`${parsed.toString()}/${IPV6_BLOCK_BITS}`).toString()
    : parsed.toString();
}

/** The doors of a try at somebody's secret. */
export function doorsFor(
  owner: string,
  from: { readonly deviceHash: string; readonly address: string; readonly known: boolean },
): Door[] {
  return from.known
    ? [
        { kind: "device", key: `${owner}|${from.deviceHash}` },
        { kind: "devices", key: owner },
      ]
    : [
        { kind: "address", key: `${owner}|${addressBlock(from.address)}` },
        { kind: "strangers", key: owner },
      ];
}
