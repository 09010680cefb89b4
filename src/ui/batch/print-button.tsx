'use client';
import { Printer } from 'lucide-react';
import { Button } from '../kit/button';

export function PrintButton() {
  return (
    <Button size="work" onClick={() => window.print()}>
      <Printer size={20} aria-hidden />
      Print
    </Button>
  );
}
