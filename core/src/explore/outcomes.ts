/** Chance and values with more outcomes than this are tried at their ends and evenly in between. */
const mostTried = 32;

/** So many ways for chance to fall are tried of one step: twenty throws of a die have more than there are grains of sand. */
const mostWays = 1_024;

/** Tries something once for every way that chance can fall in it. */
export class Outcomes {
  /** Which outcome is tried of each choice so far, and how many there are. */
  private readonly choices: number[] = [];
  private readonly widths: number[] = [];
  private asked = 0;
  private readonly tooMany: () => void;

  /** @param tooMany told whenever not every outcome of a choice is tried */
  constructor(tooMany: () => void) {
    this.tooMany = tooMany;
  }

  /** The outcome of [0, n) that is tried this time. */
  choose(n: number): number {
    const width = Math.min(n, mostTried);
    if (n > mostTried) this.tooMany();
    const at = this.asked;
    this.asked += 1;
    if (at === this.choices.length) {
      this.choices.push(0);
      this.widths.push(width);
    }
    const chosen = this.choices[at]!;
    return n <= mostTried ? chosen : Math.round((chosen * (n - 1)) / (mostTried - 1));
  }

  /** Runs something over and over, until every choice in it has fallen every way. */
  each(run: () => void): void {
    const { choices, widths } = this;
    if (choices.length > 0) choices.length = widths.length = 0;
    for (let ways = 1; ; ways += 1) {
      this.asked = 0;
      run();
      // The next in order: the last that can go up goes up, and what came after it is forgotten.
      let last = choices.length - 1;
      while (last >= 0 && choices[last]! + 1 >= widths[last]!) last -= 1;
      if (last < 0) return;
      if (ways >= mostWays) return this.tooMany();
      choices.length = widths.length = last + 1;
      choices[last]! += 1;
    }
  }
}
