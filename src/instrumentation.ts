/** Once, when the server starts: what it does beside answering pages. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const [{ refuseStrangeMethods }, { keepNightly }] = await Promise.all([
    import('./server/api/methods'),
    import('./server/usecases/backup'),
  ]);
  refuseStrangeMethods();
  keepNightly();
}
