import { Suspense } from 'react';
import { Navigate, useParams } from 'react-router';
import { sheets } from './sheets.ts';

/** The sheet that the address names. */
export default function SheetPage() {
  const { sheetId } = useParams();
  const sheet = sheets.find(({ id }) => id === sheetId);
  if (!sheet) return <Navigate to="../flow" replace />;
  return (
    <Suspense fallback={null}>
      <sheet.page />
    </Suspense>
  );
}
