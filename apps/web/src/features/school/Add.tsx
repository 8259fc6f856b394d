import { useContext } from 'react';
import { Button } from '../../ui/Button.js';
import { Editing } from './Cells.js';

/** Another row of a list, for whoever may change it. */
export function Add({ children, onClick }: { children: string; onClick: () => void }) {
  const { mayEdit } = useContext(Editing);
  if (!mayEdit) return null;
  return (
    <Button className="mt-2" onClick={onClick}>
      {children}
    </Button>
  );
}
