'use client';
import { useState } from 'react';
import { pairSchema } from '@/contract/device';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { postTo } from '../kit/post';

type Errors = Readonly<Record<string, string>>;
/** A device says the code that the server's own screen shows, what it is called and where it stands. */
export function PairView({
  code: first,
  signs,
}: {
  readonly code: string;
  /** The kitchen signs for itself: a device has to be told. */
  readonly signs: boolean;
}) {
  const [typed, setTyped] = useState({ code: first, name: '', place: '' });
  const [errors, setErrors] = useState<Errors>({});
  const [said, setSaid] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const field = (name: keyof typeof typed) => ({
    value: typed[name],
    error: errors[name],
    onChange: (e: { readonly target: { readonly value: string } }) => {
      setTyped((t) => ({ ...t, [name]: e.target.value }));
      setErrors({});
    },
  });
  const pair = async (): Promise<void> => {
    const checked = pairSchema.safeParse(typed);
    if (!checked.success) {
      setErrors(Object.fromEntries(checked.error.issues.map((i) => [String(i.path[0]), i.message])));
      return;
    }
    setBusy(true);
    setSaid(null);
    const a = await postTo('/pair/in', checked.data);
    if (a.ok) {
      window.location.assign('/');
      return;
    }
    setErrors(a.fields);
    setSaid(a.detail);
    setBusy(false);
  };
  return (
    <>
      <Form className="grid gap-4 rounded-plate bg-white p-4" act={pair}>
        <p>The code stands on the server’s own screen: House, Devices.</p>
        <Field
          label="Code"
          autoCapitalize="characters"
          spellCheck={false}
          maxLength={20}
          {...field('code')}
          inputClass="!min-h-14 text-2xl font-semibold tracking-widest"
        />
        <Field label="What is this device called?" maxLength={40} placeholder="Phone of Wren" {...field('name')} />
        <Field label="Where does it stand?" maxLength={40} placeholder="griddle 2" {...field('place')} />
        {said ? (
          <Notice weight="stop" role="alert">
            {said}
          </Notice>
        ) : null}
        <Button type="submit" look="now" size="work" disabled={busy}>
          {busy ? 'Pairing' : 'Pair this device'}
        </Button>
      </Form>
      {signs ? <Trust /> : null}
    </>
  );
}

const Trust = () => (
  <section aria-labelledby="trust" className="grid gap-2">
    <h2 id="trust" className="text-xl">
      The browser warns of this address?
    </h2>
    <p>
      This kitchen signs for itself, so a device has to be told once. The certificate may sign for this kitchen and for
      private networks alone.
    </p>
    <ol className="list-decimal pl-6">
      <li>
        <a href="/pair/authority.crt" download className="font-semibold text-rim underline">
          Get the certificate
        </a>{' '}
        and open it.
      </li>
      <li>Add it in the device’s settings, under certificates or profiles, and trust it for web pages.</li>
      <li>Open this address again. A warning that stays means that it is another kitchen’s: don’t go on.</li>
    </ol>
  </section>
);
