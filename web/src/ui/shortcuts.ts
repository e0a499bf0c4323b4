import { useHotkeys } from 'react-hotkeys-hook';

/** What takes typed characters for itself. */
const FIELDS = 'input, textarea, select, [contenteditable="true"], [role="combobox"], [role="listbox"]';
const DIALOGS = '[role="dialog"], [role="alertdialog"]';

/** Switches the keys without Ctrl on or off, on the whole page: who dictates, or touches keys by chance, wants none. */
export function allowSingleKeys(isAllowed: boolean): void {
  document.documentElement.toggleAttribute('data-no-single-keys', !isAllowed);
}

/** Whether a typed key is nobody's: it is wanted, no dialog is open and no field has the focus. */
function isFree({ ctrlKey, metaKey }: KeyboardEvent): boolean {
  const isWanted = ctrlKey || metaKey || !document.documentElement.hasAttribute('data-no-single-keys');
  return isWanted && document.querySelector(DIALOGS) === null && !document.activeElement?.matches(FIELDS);
}

/**
 * A key that does something on the whole page. It rests while a dialog is open or a field has the focus.
 * @param keys as printed on the keyboard, not as placed: the slash and the digits sit elsewhere on other keyboards.
 */
export function useShortcut(keys: string | string[], act: (event: KeyboardEvent) => void): void {
  useHotkeys(keys, act, {
    useKey: true,
    preventDefault: true,
    enabled: isFree,
  });
}

/** Whether an element takes typed characters for itself. */
export const isField = (target: EventTarget | null): boolean =>
  target instanceof Element && target.matches(FIELDS);
