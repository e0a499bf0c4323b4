/** How much this page takes of the device, bytes. */
export interface SpaceUse {
  used: number;
  /** What is left for it, by the browser's own estimate. */
  free: number;
}

/** The room that the browser gives this page. */
export interface SpacePort {
  /** Asks the browser once to keep this page's data when room gets short. */
  persist: () => void;
  /** Whether it has agreed; null where it cannot be asked. */
  isPersisted: () => Promise<boolean | null>;
  /** Null where the browser does not tell. */
  estimate: () => Promise<SpaceUse | null>;
}
