import { App } from "antd";
import { AskError } from "../../shared/client.ts";
import { Button } from "./Button.tsx";

const shownS = 12;

/** Says what was done, with the way to take it back, in place of asking before. */
export function useUndoNotice(): (words: string, undoWords: string, undo: () => Promise<unknown>) => void {
  const { notification } = App.useApp();
  return (words, undoWords, undo) => {
    const takeBack = async (): Promise<void> => {
      notification.destroy(words);
      try {
        await undo();
      } catch (error) {
        if (!(error instanceof AskError)) throw error;
        notification.error({ key: words, title: error.message, duration: 0 });
      }
    };
    notification.open({
      key: words,
      title: words,
      placement: "bottomLeft",
      duration: shownS,
      actions: <Button onClick={() => void takeBack()}>{undoWords}</Button>,
    });
  };
}
