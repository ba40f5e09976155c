/** What a finger can mean when it comes down. */
const acts = 'button, a[href], summary, label, input, select, textarea';
/** What is typed into, or chosen from, is entered and not pressed. */
const isEntered = 'select, textarea, input:not([type=checkbox], [type=radio], [type=file], [type=submit])';
/** How far a finger rolls while it presses, in pixels. One that went further has slid off, and means nothing. */
const rollPx = 12;

interface Pressed {
  element: HTMLElement;
  x: number;
  y: number;
}

/**
 * Gives a tap to what was under the finger when it came down. A window that opens or a server that is back can move the page while a
 * finger is on it; the browser gives the tap to whatever lies there when it is lifted, or to nothing.
 */
export function keepToWhatWasPressed(page: Document): void {
  let pressed: Pressed | null = null;
  const forget = () => (pressed = null);
  page.addEventListener('pointerdown', (event) => (pressed = pressedBy(event)), true);
  page.addEventListener('pointercancel', forget, true);
  page.addEventListener(
    'click',
    (event) => {
      const meant = pressed;
      forget();
      if (!meant || !strayed(event, meant)) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      // What is gone cannot be done any more; what came in its place was not meant.
      if (meant.element.isConnected) press(meant.element);
    },
    true,
  );
}

function pressedBy({ target, isPrimary, clientX: x, clientY: y }: PointerEvent): Pressed | null {
  const element = isPrimary && target instanceof Element ? target.closest<HTMLElement>(acts) : null;
  return element && { element, x, y };
}

/** Whether a tap came to something else though the finger stayed where it was. */
function strayed(click: MouseEvent, { element, x, y }: Pressed): boolean {
  // What is pressed by a key or by the page itself has no place.
  const byFinger = click.isTrusted && click.detail > 0;
  return byFinger && !element.contains(click.target as Node) && Math.hypot(click.clientX - x, click.clientY - y) <= rollPx;
}

const press = (element: HTMLElement) => (element.matches(isEntered) ? element.focus() : element.click());
