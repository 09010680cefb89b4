/** How a menu looks, wherever one opens. */
export const MENU = 'hold z-30 max-h-[80vh] min-w-60 overflow-auto p-1 shadow-lg';
export const MENU_ITEM = 'flex min-h-11 items-center gap-2 rounded-[7px] px-3 outline-none data-[highlighted]:bg-wash data-[disabled]:opacity-45';
