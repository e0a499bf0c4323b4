import { encodeMonitorBytes } from '@pincer/core/obd';
import type { Engine } from './engine.ts';

/** The automatic gearbox's control unit: sound, and short of words. It shows that answers come from several units. */
export class GearboxUnit {
  constructor(private readonly engine: Engine) {}

  answer(request: readonly number[]): number[][] {
    if (this.engine.mode === 'off') return [];
    const [service, first] = request;
    switch (service) {
      case 0x01: {
        const body: number[] = [];
        for (const pid of request.slice(1)) {
          if (pid === 0x00) body.push(0x00, 0x80, 0x00, 0x00, 0x00);
          if (pid === 0x01)
            body.push(
              0x01,
              ...encodeMonitorBytes({
                lampOn: false,
                storedCodes: 0,
                ignition: 'spark',
                monitors: [{ monitor: 'components', complete: true }],
              }),
            );
        }
        return body.length > 0 ? [[0x41, ...body]] : [];
      }
      case 0x03:
        return [[0x43, 0]];
      case 0x07:
        return [[0x47, 0]];
      case 0x0a:
        return [[0x4a, 0]];
      case 0x04:
        return this.engine.isRunning ? [[0x7f, 0x04, 0x22]] : [[0x44]];
      case 0x09:
        if (first === 0x00) return [[0x49, 0x00, 0x10, 0x00, 0x00, 0x00]];
        return first === 0x04
          ? [[0x49, 0x04, 1, ...[...'TCF14-A2'.padEnd(16, '\0')].map((c) => c.charCodeAt(0))]]
          : [];
      case 0x19:
        return [[0x7f, 0x19, 0x11]];
      default:
        return [];
    }
  }
}
