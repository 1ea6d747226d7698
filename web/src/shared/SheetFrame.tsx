import { Title } from '@mantine/core';
import type { ReactNode } from 'react';
import classes from './SheetFrame.module.css';

/** The frame of every sheet: its name, one sentence on what it is for, its tools. */
export function SheetFrame({
  title,
  about,
  tools,
  children,
}: {
  title: string;
  about: string;
  tools?: ReactNode;
  children: ReactNode;
}) {
  return (
    <section className={classes.sheet} aria-label={title}>
      <header className={classes.head}>
        <div>
          <Title order={1} size={26}>
            {title}
          </Title>
          <p className={classes.about}>{about}</p>
        </div>
        <div className={classes.tools}>{tools}</div>
      </header>
      {children}
    </section>
  );
}

/** What an empty place is for, with the first step. */
export function FirstStep({ children, action }: { children: ReactNode; action?: ReactNode }) {
  return (
    <div className={classes.first}>
      <p>{children}</p>
      {action}
    </div>
  );
}
