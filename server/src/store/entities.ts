import { Column, Entity, Index, PrimaryColumn, PrimaryGeneratedColumn } from 'typeorm';

/** A gadget: its head revision and whether it lies in the bin. The name is the head document's, for listing. */
@Entity('gadget')
export class GadgetRow {
  @PrimaryColumn('text') id: string;
  @Column('text') name: string;
  @Column('integer') head: number;
  @Column('text') createdAt: string;
  @Column('text') savedAt: string;
  @Column('text', { nullable: true }) binnedAt: string | null;
}

/** One saved state of a gadget's document. Never changed, but for its name. */
@Entity('revision')
export class RevisionRow {
  @PrimaryColumn('text') gadgetId: string;
  @PrimaryColumn('integer') number: number;
  /** The document as JSON. */
  @Column('text') document: string;
  @Column('text', { nullable: true }) name: string | null;
  @Column('text') savedAt: string;
  @Column('integer', { nullable: true }) restoredFrom: number | null;
  /** Of the save that made it, as the page named it. */
  @Column('text', { nullable: true }) saveId: string | null;
}

@Entity('trial')
export class TrialRow {
  @PrimaryColumn('text') id: string;
  @Index() @Column('text') gadgetId: string;
  /** The script as JSON. */
  @Column('text') script: string;
  /** Counts the saves, for If-Match. */
  @Column('integer') version: number;
  @Column('text') createdAt: string;
}

/** One run of a trial on one revision. */
@Entity('trial_run')
export class TrialRunRow {
  @PrimaryGeneratedColumn() id: number;
  @Index() @Column('text') trialId: string;
  /** Which state of the script ran. */
  @Column('integer') version: number;
  @Column('integer') revision: number;
  /** The result as JSON. */
  @Column('text') result: string;
  @Column('text') ranAt: string;
}

/** A drawing, named by the sum of its bytes: revisions share it, and it never changes. */
@Entity('picture')
export class PictureRow {
  @PrimaryColumn('text') sha256: string;
  @Column('text') type: string;
  @Column('blob') bytes: Buffer;
  @Column('text') addedAt: string;
}

/** A class of part that a maker described, for the next gadgets. */
@Entity('drawer')
export class DrawerRow {
  @PrimaryColumn('text') id: string;
  @Column('text', { unique: true }) title: string;
  /** The class as JSON. */
  @Column('text') own: string;
  @Column('text') keptAt: string;
}

/** What the shelf says of a gadget, worked out of one of its revisions: an older one's until the newest one's is known. */
@Entity('card')
export class CardRow {
  @PrimaryColumn('text') gadgetId: string;
  /** Of that revision. */
  @Column('integer') number: number;
  /** The card as JSON; `null` in it: it could not be worked out. */
  @Column('text') card: string;
  /** What the picture is drawn from, as JSON. */
  @Column('text', { nullable: true }) portrait: string | null;
}
