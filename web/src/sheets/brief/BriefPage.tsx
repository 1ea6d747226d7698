import { Button } from '@mantine/core';
import { IconPrinter } from '@tabler/icons-react';
import { SheetFrame } from '../../shared/index.ts';
import classes from './Brief.module.css';
import { Idea } from './Idea.tsx';
import { Tasks } from './Tasks.tsx';
import { Wall } from './Wall.tsx';
import { WishList } from './WishList.tsx';

/** From an idea to words, from words to what is kept, and what a user must be able to do. */
export function BriefPage() {
  return (
    <SheetFrame
      title="Brief"
      about="What the gadget is for, what of it comes first, and what its user must be able to do."
      tools={
        <Button
          variant="default"
          leftSection={<IconPrinter size={16} stroke={1.7} />}
          onClick={() => window.print()}
        >
          Print
        </Button>
      }
    >
      <Idea />
      <h2 className={classes.heading}>Words</h2>
      <Wall />
      <h2 className={classes.heading}>User tasks</h2>
      <Tasks />
      <h2 className={classes.heading}>Wishes with numbers</h2>
      <WishList />
    </SheetFrame>
  );
}
