'use client';
/** Signing on a device: a PIN for one person, sent to the server. */
import { useState } from 'react';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { postTo, textIn } from '../kit/post';

/** The PIN of one person. */
export function SignForm({
  person,
  then,
}: {
  readonly person: { readonly id: string; readonly name: string };
  /** Told the session that is open now. */
  readonly then: (session: string) => void;
}) {
  const [pin, setPin] = useState('');
  const [error, setError] = useState<string | undefined>();
  const [said, setSaid] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const sign = async (): Promise<void> => {
    if (pin === '') {
      setError('Your PIN.');
      return;
    }
    setBusy(true);
    setSaid(null);
    const a = await postTo('/sign/in', { person: person.id, pin });
    setPin('');
    const session = a.ok ? textIn(a.told, 'session') : null;
    if (session !== null) then(session);
    else {
      const { detail, fields } = a.ok ? { detail: 'The server does not answer as it should.', fields: {} } : a;
      const ofPin = new Map(Object.entries(fields)).get('pin');
      setError(ofPin);
      setSaid(ofPin ? null : detail);
    }
    setBusy(false);
  };
  return (
    <Form className="grid gap-4" act={sign}>
      <Field
        label={`PIN of ${person.name}`}
        type="password"
        inputMode="numeric"
        autoComplete="off"
        maxLength={12}
        value={pin}
        error={error}
        onChange={(e) => {
          setPin(e.target.value);
          setError(undefined);
        }}
        inputClass="!min-h-14 text-2xl font-semibold tracking-widest"
      />
      {said ? (
        <Notice weight="stop" role="alert">
          {said}
        </Notice>
      ) : null}
      <Button type="submit" look="now" size="work" disabled={busy}>
        {busy ? 'Signing' : `Sign as ${person.name}`}
      </Button>
    </Form>
  );
}
