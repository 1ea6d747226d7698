import { terminalsOf, figuresOf, kindOf, partFaults, partKinds } from './index.ts';
import { part } from '../test/fixtures.ts';

const ends = new Set<string>([
  'button',
  'encoder',
  'knob',
  'codes',
  'light',
  'text',
  'screen',
  'tone',
  'player',
  'servo',
  'motor',
  'midi',
  'typist',
  'lights',
  'line',
  'serial',
]);

describe('the catalogue of parts', () => {
  it('has a class for each thing that makers reach for', () => {
    const asked = `push-button lit-key toggle-switch slide-switch key-matrix touch-pad encoder encoder-push potentiometer slider stick
      motion-sensor light-sensor code-receiver foot-switch midi-in light rgb-light pixel-lights
      light-chain light-matrix lights-on-shared-lines relay-module transistor-switch serial-text
      seven-segment
      character-display character-display-two-wire graphic-display-two-wire graphic-display-spi small-colour-display light-rows piezo buzzer
      amplifier-speaker pulse-speaker sound-player servo vibration-motor midi-out usb-midi usb-keyboard memory-card settings-memory shift-in
      shift-out pin-expander level-shifter cell charger booster regulator power-switch fuse protection-diode`;
    expect(partKinds.map(({ id }) => id).sort()).toEqual(asked.split(/\s+/).sort());
  });

  it.each(partKinds.map((kind) => [kind.id, kind] as const))('%s keeps its manners', (id, kind) => {
    const figures = Object.freeze({ ...kind.defaults });
    expect(kind.figures.parse(figures)).toEqual(figures);
    // Every figure has words and a unit, and every word is a figure.
    expect(Object.keys(kind.figures.shape).sort()).toEqual(Object.keys(figures).sort());
    for (const field of Object.values(kind.figures.shape))
      expect((field as { meta(): unknown }).meta()).toMatchObject({
        label: expect.any(String),
        unit: expect.any(String),
      });
    const terminals = kind.terminals(figures);
    const names = terminals.map(({ name }) => name);
    expect(new Set(names).size).toBe(names.length);
    expect(terminals.every(({ name }) => /^[a-z][a-z0-9-]{0,23}$/.test(name))).toBe(true);
    expect(terminals.every(({ role, need }) => (role === 'signal') === (need !== null))).toBe(true);
    const { typicalUa, worstUa } = kind.draws(figures);
    expect(typicalUa).toBeLessThanOrEqual(worstUa);
    for (const { terminal, forwardMv, wantUa, maxUa } of kind.lamps?.(figures) ?? []) {
      expect(names).toContain(terminal);
      expect(forwardMv).toBeGreaterThan(0);
      expect(wantUa).toBeLessThanOrEqual(maxUa);
    }
    const supply = kind.supply(figures);
    if (supply) expect(supply.minMv).toBeLessThan(supply.maxMv);
    expect(kind.plays(figures).every((end) => ends.has(end))).toBe(true);
    expect(partFaults(part('p1', id, []), () => undefined).length > 0).toBe(kind.plays(figures).length > 0);
  });

  it('gives a part its own figures over the typical ones, and refuses what a class does not have', () => {
    const own = part('p1', 'light', ['o1'], { figures: { wantUa: 12_000 } });
    expect(figuresOf(own)).toMatchObject({ wantUa: 12_000, forwardMv: 2_000 });
    expect(terminalsOf(own)[0]).toMatchObject({ name: 'anode', maxUa: 12_000 });
    const faults = (kind: string, figures: Record<string, number>, end?: string) =>
      partFaults(part('p1', kind, end ? ['x'] : [], { figures }), () => end).map(({ path }) => path);
    expect(faults('light', { wantUa: -1 }, 'light')).toEqual(['figures.wantUa']);
    expect(faults('light', { wings: 2 }, 'light')).toEqual(['figures']);
    expect(faults('light', {}, 'button')).toEqual(['plays']);
    expect(faults('lamp-post', {})).toEqual(['kind']);
    expect(() => kindOf({ kind: 'lamp-post' })).toThrow('expected a class of part');
  });
});
