export type SheetId = 'brief' | 'parts' | 'wiring' | 'feel' | 'flow' | 'screen' | 'sound' | 'trials';

/** Words on a button of a sheet; a menu before its entry. */
export type Named = readonly [string] | readonly [menu: string, entry: string];

/** What can be done on a whole sheet. A sheet that is missing does not compile; a browser test presses each. */
export const doable: Readonly<Record<SheetId, readonly Named[]>> = {
  brief: [['Add a task'], ['Put it on the wall'], ['Print']],
  parts: [
    ['Add a part'],
    ['Compare all boards'],
    ['Boards of your own…'],
    ['Table', 'Save the bill as CSV'],
    ['Table', 'Read parts from CSV…'],
  ],
  wiring: [
    ['Lay the wires'],
    ['More', 'Take away all that is not soldered'],
    ['More', 'Save the list as CSV'],
    ['More', 'Print'],
  ],
  feel: [['Press it for me'], ['A burst'], ['A nervous double'], ['A long lean'], ['A storm of spikes']],
  flow: [['Add a state']],
  screen: [['Add a page']],
  sound: [],
  trials: [['Record'], ['Run all']],
};

/** Views of a sheet, by what stands behind its address. */
export const views: Readonly<Partial<Record<SheetId, Readonly<Record<string, string>>>>> = {
  flow: {
    Map: '?view=map',
    Grid: '?view=grid',
    Ask: '?view=ask',
    Players: '?view=players',
    Compare: '?view=compare',
  },
  screen: { Menus: '?view=menus', Pictures: '?view=pictures', 'Light codes': '?view=lights' },
};
