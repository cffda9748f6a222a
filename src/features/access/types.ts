export interface AccountView {
  readonly name: string;
  readonly email: string;
  readonly secondStep: boolean;
  /** A second step that was begun and not confirmed: its secret, and the picture to scan. */
  readonly pending: { readonly secret: string; readonly picture: string } | null;
  readonly idleMinutes: number;
  readonly devices: readonly {
    readonly id: string;
    readonly device: string;
    readonly lastSeen: string;
    readonly isThis: boolean;
  }[];
}
