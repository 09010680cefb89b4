/** What floats beside the thing that opened it: fetched when the first is opened. */
export { DropdownMenu, Popover } from 'radix-ui';
