import { limits, type OwnClass } from '@hum-lever/core';
import { Injectable } from '@nestjs/common';
import type { EntityManager } from 'typeorm';
import { freshId } from '../gadgets/gadgets.service.ts';
import { notFound, Problem } from '../http/problem.ts';
import { DrawerRow } from '../store/entities.ts';
import { Store } from '../store/store.ts';

const view = ({ id, own, keptAt }: DrawerRow) => ({ id, own: JSON.parse(own) as OwnClass, keptAt });
export type DrawerView = ReturnType<typeof view>;

/** Classes of part that makers described themselves, for their next gadgets. */
@Injectable()
export class DrawerService {
  constructor(private readonly store: Store) {}

  list(): Promise<DrawerView[]> {
    return this.store.read(async (manager) =>
      (await manager.find(DrawerRow, { order: { title: 'ASC' } })).map(view),
    );
  }

  keep(own: OwnClass): Promise<DrawerView> {
    return this.store.write((manager) => this.put(manager, own));
  }

  /** Takes the place of what is called the same. @throws Problem 422 where the drawer is full */
  private async put(manager: EntityManager, own: OwnClass): Promise<DrawerView> {
    const { title } = own;
    const before = await manager.findOneBy(DrawerRow, { title });
    if (!before && (await manager.count(DrawerRow)) >= limits.drawer)
      throw new Problem(422, 'invalid', `Expected at most ${limits.drawer} parts in the drawer.`);
    const row: DrawerRow = {
      id: before?.id ?? freshId('d'),
      title,
      own: JSON.stringify(own),
      keptAt: new Date().toISOString(),
    };
    await manager.save(DrawerRow, row);
    return view(row);
  }

  /** As `keep`, but leaves what is called the same as it is. */
  takeIn(own: OwnClass): Promise<void> {
    return this.store.write(async (manager) => {
      if (!(await manager.existsBy(DrawerRow, { title: own.title }))) await this.put(manager, own);
    });
  }

  remove(id: string): Promise<void> {
    return this.store.write(async (manager) => {
      if (!(await manager.existsBy(DrawerRow, { id }))) throw notFound('such part in the drawer');
      await manager.delete(DrawerRow, { id });
    });
  }
}
