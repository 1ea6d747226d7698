/** Legal but dear documents: each kind takes one thing to its limit, with a little chance in it. */

const rule = (id, trigger, rest = {}) => {
  return { id, trigger, guard: null, actions: [], targetIds: [], internal: false, ...rest };
};
const number = (id) => {
  return {
    id,
    kind: 'number',
    name: id,
    saved: null,
    initial: 0,
    min: 0,
    max: 1_000_000,
    overflow: 'hold',
    unit: '',
  };
};
const long = (of, chars) => {
  let text = `${of} > 0`;
  while (text.length + 24 < chars) text += ` && ${of} * 3 - 1 < 9000000`;
  return text;
};

/** @returns a name and a raw document of the `n`th kind */
export function dearDocuments({ blankState, emptyFlow, emptyGadget, addPartEdit, editGadget }, { below }, n) {
  const state = (id, rest = {}) => ({ ...blankState(), id, name: id, ...rest });
  const set = (value, variableId = 'v1') => ({ kind: 'set', variableId, index: null, value });
  const flow = (states, rest = {}, document = emptyGadget('Dear')) => {
    return {
      ...document,
      flow: {
        ...emptyFlow(),
        variables: [number('v1'), number('v2')],
        states,
        initialId: states[0].id,
        ...rest,
      },
    };
  };
  const keyed = (count, kind = 'push-button') => {
    let document = emptyGadget('Dear');
    for (let key = 0; key < count; key += 1)
      document = editGadget(document, addPartEdit(document, kind, { name: `Part ${key}` }));
    return document;
  };
  const regions = (each) => [
    state('s0', { kind: 'parallel' }),
    ...Array.from({ length: 8 }, (_, r) => state(`q${r}`, { parentId: 's0', rules: each(r) })),
  ];
  const every = { kind: 'every', delay: 1_000 };
  const kinds = {
    'eight regions of a hundred rules each millisecond': () =>
      flow(regions((r) => Array.from({ length: 100 }, (_, i) => rule(`r${r * 100 + i}`, every)))),
    'the same with work to do': () =>
      flow(regions((r) => Array.from({ length: 100 }, (_, i) => rule(`r${r * 100 + i}`, every, { actions: [set('v1 + 1'), set('v2 * 2 + v1', 'v2')] })))),
    'rounds over long conditions that change': () =>
      flow([
        state('s1', {
          rules: [
            rule('r1', every, { actions: [set(String(900 + below(90)))] }),
            ...Array.from({ length: 98 }, (_, i) => rule(`a${i}`, { kind: 'always' }, { guard: `v1 < 0 || (${long('v1', 360)} && v2 > 5)` })),
            rule('r2', { kind: 'always' }, { guard: 'v1 > 0', actions: [set('v1 - 1')] }),
          ],
        }),
      ]),
    'a wait of no time': () => flow([state('s1', { rules: [rule('r1', { kind: 'after', delay: { ms: '0' } }, { targetIds: ['s1'] })] })]),
    'a loop of 50 µs and a wait of no time': () => ({
      ...flow([state('s1', { rules: Array.from({ length: 100 }, (_, i) => rule(`r${i}`, { kind: 'every', delay: { ms: '0' } })) })]),
      loop: { periodUs: 50 },
    }),
    'signals that multiply': () =>
      flow(
        [
          state('s1', {
            entry: [{ kind: 'raise', signalId: 'g1', delay: 0 }],
            rules: [
              rule('r1', { kind: 'signal', signalId: 'g1' }, {
                actions: Array.from({ length: 2 + below(30) }, () => ({ kind: 'raise', signalId: 'g1', delay: 1_000 })),
              }),
            ],
          }),
        ],
        { signals: [{ id: 'g1', name: 'Again' }] },
      ),
    'an endless loop at power-up': () => flow([state('s1', { rules: [rule('r1', { kind: 'always' })] })]),
    'four hundred states, ten rules each': () =>
      flow(
        Array.from({ length: 400 }, (_, i) =>
          state(`s${i + 1}`, {
            rules: Array.from({ length: 10 }, (_r, r) =>
              rule(`r${i * 10 + r}`, r === 0 ? { kind: 'after', delay: 1_000 } : { kind: 'signal', signalId: 'g1' }, {
                guard: r === 0 ? null : `v1 > ${below(1_000)}`,
                actions: [set('v1 + 1')],
                targetIds: [`s${((i + 1 + below(3)) % 400) + 1}`],
              }),
            ),
          }),
        ),
        { signals: [{ id: 'g1', name: 'Again' }] },
      ),
    'lists that are shifted all the time': () =>
      flow(
        [state('s1', { rules: Array.from({ length: 60 }, (_, i) => rule(`r${i}`, every, { actions: Array.from({ length: 20 }, () => ({ kind: 'shift', variableId: 'v3', value: 'random(9)' })) })) })],
        { variables: [number('v1'), number('v2'), { ...number('v3'), kind: 'list', length: 64, columns: 1, unit: undefined }].map((one) => JSON.parse(JSON.stringify(one))) },
      ),
    'sixty-four noisy knobs': () => {
      const document = keyed(64, 'potentiometer');
      return {
        ...flow([state('s1')], {}, document),
        loop: { periodUs: 50 },
        controls: document.controls.map((control) => ({
          ...control,
          wiper: { ...control.wiper, noisePpm: 20_000 },
          reading: { ...control.reading, everyUs: 100, hysteresisCounts: 0, steps: 500 },
        })),
      };
    },
    'sixty-four keys with spikes': () => {
      const document = keyed(64);
      return {
        ...flow([state('s1', { rules: document.controls.map(({ id }, i) => rule(`r${i}`, { kind: 'gesture', controlId: id, gesture: 'press' }, { actions: [set('v1 + 1')] })) })], {}, document),
        controls: document.controls.map((control) => ({ ...control, contact: { ...control.contact, glitchPerHour: 360_000 } })),
      };
    },
    'texts at every turn': () => {
      const document = keyed(8, 'character-display');
      return flow(
        [state('s1', { rules: Array.from({ length: 20 }, (_, i) => rule(`r${i}`, every, { actions: [...document.outputs.map(({ id }) => ({ kind: 'text', outputId: id, row: 0, text: `{v1} ${'x'.repeat(150)} {v2}` })), set('v1 + 1')] })) })],
        {},
        document,
      );
    },
  }; // prettier-ignore
  const names = Object.keys(kinds);
  const name = names[n % names.length];
  return { name, document: JSON.parse(JSON.stringify(kinds[name]())) };
}
