import { useHotkeys } from 'react-hotkeys-hook';

/**
 * Does something at a press of one of some keys, as they are written on this keyboard; not while somebody types, and not with
 * Ctrl or another modifier, which belong to the browser.
 */
export function useKeys(keys: readonly string[], act: (key: string) => void): void {
  useHotkeys([...keys], (_, hotkey) => act(hotkey.keys?.[0] ?? ''), { useKey: true, enableOnFormTags: ['radio', 'slider'] });
}
