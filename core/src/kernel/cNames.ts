/** Words that a name in C must not be: of the language up to C23 and of C++ that such files are often read as. */
const reserved = new Set(
  (
    'alignas alignof and and_eq asm auto bitand bitor bool break case catch char class compl concept const ' +
    'consteval constexpr constinit const_cast continue co_await co_return co_yield decltype default delete do ' +
    'double dynamic_cast else enum explicit export extern false float for friend goto if inline int long main ' +
    'mutable namespace new noexcept not not_eq nullptr operator or or_eq private protected public register ' +
    'reinterpret_cast requires restrict return short signed sizeof static static_assert static_cast struct switch ' +
    'template this thread_local throw true try typedef typeid typename typeof union unsigned using virtual void ' +
    'volatile wchar_t while xor xor_eq loop setup'
  ).split(' '),
);

/** As many characters as every compiler tells apart. Source: C99, 5.2.4.1: 31 for external names. */
const mostChars = 31;

/** Letters, digits and lines of one name; a letter that has no plain form is its number. */
function plain(name: string): string {
  const letters = [...name.normalize('NFKD')].flatMap((character) => {
    if (/[A-Za-z0-9]/.test(character)) return [character];
    if (/\p{M}/u.test(character)) return [];
    return [/[\p{L}\p{N}]/u.test(character) ? `u${character.codePointAt(0)!.toString(16)}` : '_'];
  });
  const joined = letters.join('').replace(/_+/g, '_').replace(/^_|_$/g, '').toLowerCase();
  const begun = /^[a-z]/.test(joined) ? joined : `n${joined}`;
  return begun.slice(0, mostChars).replace(/_$/, '');
}

/**
 * Gives names of people's making names that C can have: of letters, digits and single lines between, at most 31
 * characters, no word of the language, and each another. The same names in the same order give the same.
 */
export function cNames(): (name: string) => string {
  const taken = new Set<string>();
  return (name) => {
    const base = plain(name);
    const asked = reserved.has(base) ? `${base}_` : base;
    let given = asked;
    // As many attempts as names were given, and one more.
    for (let n = 2; taken.has(given); n += 1) {
      const end = `_${n}`;
      given = asked.slice(0, mostChars - end.length) + end;
    }
    taken.add(given);
    return given;
  };
}
