/* Attributes that are read, by element. What stands in a file besides is told to have been left out. */

const of = (...names: string[]): ReadonlySet<string> => new Set(names);
const state = of('id', 'hum:name', 'initial');

export const known: Readonly<Record<string, ReadonlySet<string>>> = {
  scxml: of('version', 'datamodel', 'name', 'initial', 'hum:chance'),
  state,
  parallel: of('id', 'hum:name'),
  final: of('id', 'hum:name'),
  history: of('id', 'hum:name', 'type'),
  initial: of(),
  transition: of('event', 'cond', 'target', 'type', 'hum:when', 'hum:first', 'hum:timer'),
  onentry: of(),
  onexit: of(),
  datamodel: of(),
  data: of(
    'id',
    'expr',
    'hum:kind',
    'hum:saved',
    'hum:options',
    'hum:min',
    'hum:max',
    'hum:overflow',
    'hum:unit',
    'hum:length',
    'hum:columns',
  ),
  assign: of('location', 'expr'),
  raise: of('event'),
  send: of('event', 'id', 'delay', 'delayexpr', 'hum:timer'),
  cancel: of('sendid', 'hum:timer'),
  'hum:do': of('line'),
  'hum:signal': of('event', 'name'),
  'hum:timer': of('name'),
  'hum:layer': of('name', 'held', 'cond'),
  'hum:key': of('control', 'set'),
  'hum:press': of(),
  'hum:release': of(),
  'hum:mark': of('state', 'rule', 'means'),
  'hum:ignored': of('state', 'event', 'hum:when'),
};
