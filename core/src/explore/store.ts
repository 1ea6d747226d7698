/**
 * Packed states, each once, found by hash: of those that are alike in the bits that tell, the first that came. Ids are
 * whole from 0 in the order of adding.
 */
export class StateStore {
  readonly words: number;
  count = 0;
  private arena: Int32Array;
  private table: Int32Array;
  private mask: number;
  /** Of each word, the bits that tell two states apart. */
  private readonly tells: Int32Array;

  constructor(words: number, tells: Int32Array = new Int32Array(words).fill(-1)) {
    this.words = words;
    this.tells = tells;
    this.arena = new Int32Array(words * 1_024);
    this.table = new Int32Array(4_096);
    this.mask = this.table.length - 1;
  }

  /** Where state `id` begins; valid until the next is added. */
  get packed(): Int32Array {
    return this.arena;
  }

  /** FNV-1a over whole words, folded, with a last mix. */
  private hash(of: Int32Array, at: number): number {
    let hash = 0x811c9dc5;
    const { words, tells } = this;
    for (let word = 0; word < words; word += 1)
      hash = Math.imul(hash ^ (of[at + word]! & tells[word]!), 0x01000193);
    hash ^= hash >>> 15;
    hash = Math.imul(hash, 0x85ebca6b);
    return (hash ^ (hash >>> 13)) & this.mask;
  }

  private same(of: Int32Array, at: number, id: number): boolean {
    const { arena, words, tells } = this;
    const start = id * words;
    for (let word = 0; word < words; word += 1)
      if (((arena[start + word]! ^ of[at + word]!) & tells[word]!) !== 0) return false;
    return true;
  }

  /** The id of a packed state; a new one is added. `count` tells whether it was. */
  add(of: Int32Array, at = 0): number {
    for (let slot = this.hash(of, at); ; slot = (slot + 1) & this.mask) {
      const entry = this.table[slot]!;
      if (entry === 0) return this.insert(of, at, slot);
      if (this.same(of, at, entry - 1)) return entry - 1;
    }
  }

  /** The id of a packed state that was added; -1: none. */
  find(of: Int32Array, at = 0): number {
    for (let slot = this.hash(of, at); ; slot = (slot + 1) & this.mask) {
      const entry = this.table[slot]!;
      if (entry === 0) return -1;
      if (this.same(of, at, entry - 1)) return entry - 1;
    }
  }

  private insert(of: Int32Array, at: number, slot: number): number {
    const id = this.count;
    const { words } = this;
    if ((id + 1) * words > this.arena.length) {
      // A half more each time: doubling a large arena would hold twice what it needs.
      const larger = new Int32Array(Math.ceil(this.arena.length * 1.5) + words);
      larger.set(this.arena);
      this.arena = larger;
    }
    this.arena.set(of.subarray(at, at + words), id * words);
    this.table[slot] = id + 1;
    this.count += 1;
    if (this.count * 2 > this.table.length) this.rehash();
    return id;
  }

  private rehash(): void {
    this.table = new Int32Array(this.table.length * 2);
    this.mask = this.table.length - 1;
    for (let id = 0; id < this.count; id += 1) {
      let slot = this.hash(this.arena, id * this.words);
      while (this.table[slot] !== 0) slot = (slot + 1) & this.mask;
      this.table[slot] = id + 1;
    }
  }
}

/** A list of 32-bit integers that grows. */
export class IntList {
  private list = new Int32Array(1_024);
  length = 0;
  push(value: number): void {
    if (this.length === this.list.length) {
      const larger = new Int32Array(this.list.length * 2);
      larger.set(this.list);
      this.list = larger;
    }
    this.list[this.length] = value;
    this.length += 1;
  }
  at(index: number): number {
    return this.list[index]!;
  }
}
