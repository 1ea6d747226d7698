import { partKinds } from '@hum-lever/core';
import { findKinds, readNumber } from './find.ts';

const nearest = (typed: string) => findKinds(typed).nearest?.id ?? null;

describe('finding a class of part', () => {
  it.each([
    ['light', 'light'],
    ['Push Button', 'push-button'],
    ['encoder', 'encoder'],
    ['encoder with push', 'encoder-push'],
    ['piezo', 'piezo'],
    ['lithium', 'cell'],
    ['two-wire display', 'character-display-two-wire'],
    ['spi', 'graphic-display-spi'],
    ['trombone', null],
  ])('“%s” is nearest to %s', (typed, id) => {
    expect(nearest(typed)).toBe(id);
  });

  it.each([
    ['led', 'light'],
    ['lcd', 'character-display'],
    ['battery', 'cell'],
    ['beeper', 'piezo'],
    ['strip', 'pixel-lights'],
    ['addressable', 'pixel-lights'],
    ['joystick', 'stick'],
    ['eeprom', 'settings-memory'],
    ['pot', 'potentiometer'],
  ])('makers who say “%s” find %s', (typed, id) => {
    expect(findKinds(typed).found.map((kind) => kind.id)).toContain(id);
  });

  it('nothing typed finds everything, in the order of the catalogue', () => {
    expect(findKinds('').found).toEqual(partKinds);
    expect(findKinds('   ').found).toEqual(partKinds);
  });

  it('every class is nearest to its own title', () => {
    for (const { id, title } of partKinds) expect(nearest(title)).toBe(id);
  });

  it('groups are found by their name', () => {
    expect(findKinds('power').found.map(({ id }) => id)).toEqual(
      expect.arrayContaining(['cell', 'charger', 'fuse']),
    );
  });

  it.each([
    ['3 lights', 3, 'light'],
    ['1 lens', 1, 'lens'],
    ['2 x push button', 2, 'push button'],
    ['12×light', 12, 'light'],
    ['light', 1, 'light'],
    ['', 1, ''],
    // Not a number of parts: it is sought as it stands.
    ['0 lights', 1, '0 lights'],
    ['21 lights', 1, '21 lights'],
    ['16', 1, '16'],
  ])('“%s” asks for %i of “%s”', (typed, howMany, sought) => {
    expect(readNumber(typed)).toEqual({ howMany, sought });
  });

  it('no title begins with what would be read as a number', () => {
    for (const { title } of partKinds) expect(readNumber(title)).toEqual({ howMany: 1, sought: title });
  });
});
