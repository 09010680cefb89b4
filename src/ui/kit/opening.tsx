/** In the place of what is being fetched: it waits there by itself, and nothing that is typed beside it waits with it. */
export const Opening = () => (
  <p role="status" className="text-soft">
    Opening …
  </p>
);
