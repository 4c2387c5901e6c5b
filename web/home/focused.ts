/** A ref: focus goes on to what has come in place of what was pressed, not to the top of the page. */
export const focused = (element: HTMLElement | null): void => element?.focus();
