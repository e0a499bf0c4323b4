/**
 * Why the server's bridge ends a connection to a network adapter, by WebSocket close code (RFC 6455: 4000 to 4999 are
 * the application's). The server sends the code, the page says the words.
 */
export const BRIDGE_REFUSALS = {
  4400: {
    id: 'bad-address',
    sentence: 'This is not an address and a port.',
    next: 'For example 192.168.0.10 and 35000; see the adapter’s instructions.',
  },
  4403: {
    id: 'not-private',
    sentence: 'The bridge only reaches addresses in your own network.',
    next: 'Join the adapter’s wireless network and take the address from its leaflet; it begins with 192.168, 10 or 172.16 to 31.',
  },
  4404: {
    id: 'unreachable',
    sentence: 'Nothing answers at this address and port.',
    next: 'Is the laptop on the adapter’s Wi-Fi network, and is its light on? Compare address and port with the leaflet.',
  },
  4405: {
    id: 'port-not-allowed',
    sentence: 'The bridge is not set to reach this port.',
    next: 'Whoever runs the server allows it with BRIDGE_PORTS; see the README.',
  },
  4408: {
    id: 'idle',
    sentence: 'The connection was ended because nothing was said for a while.',
    next: 'Connect again.',
  },
  4409: {
    id: 'too-many',
    sentence: 'The bridge has reached its limit of connections.',
    next: 'Close other pages that are connected, then try again.',
  },
  4413: {
    id: 'too-much',
    sentence: 'More was sent than an adapter ever needs, and the bridge ended it.',
    next: 'Connect again; if it repeats, the address is not an adapter.',
  },
  4415: {
    id: 'not-text',
    sentence: 'The bridge only passes an adapter’s text commands.',
    next: 'Connect again.',
  },
} as const;
export type BridgeCloseCode = keyof typeof BRIDGE_REFUSALS;

/** The refusal behind a close code, or null when the connection ended for another reason. */
export function bridgeRefusal(code: number): (typeof BRIDGE_REFUSALS)[BridgeCloseCode] | null {
  return Object.hasOwn(BRIDGE_REFUSALS, code) ? BRIDGE_REFUSALS[code as BridgeCloseCode] : null;
}

/** A connection that the server's bridge did not make, with the next step for the owner. */
export class RefusedByBridge extends Error {
  constructor(
    sentence: string,
    readonly next: string,
  ) {
    super(sentence);
    this.name = 'RefusedByBridge';
  }
}
