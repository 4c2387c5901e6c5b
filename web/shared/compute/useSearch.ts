import { useEffect, useRef, useState } from "react";
import type { Search } from "./search.ts";

/**
 * One search at a time: how far it is, null while none is under way, and why the last one broke off. A word that was on
 * its way when a search was stopped, or another begun, is not heard. It ends with what stands around it.
 */
export function useSearch<Step, Answer>() {
  const [step, setStep] = useState<Step | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const search = useRef<Search<Answer> | null>(null);
  useEffect(() => () => search.current?.end(), []);
  const stop = (): void => {
    search.current?.end();
    search.current = null;
    setStep(null);
  };
  const start = (first: Step, begin: (tell: (step: Step) => void) => Search<Answer>, give: (answer: Answer) => void): void => {
    stop();
    setTrouble(null);
    setStep(first);
    const mine = begin((next) => search.current === mine && setStep(next));
    search.current = mine;
    const over = (then: () => void): void => {
      if (search.current !== mine) return;
      search.current = null;
      setStep(null);
      then();
    };
    mine.answer.then(
      (answer) => over(() => give(answer)),
      (error: unknown) => over(() => setTrouble(error instanceof Error ? error.message : String(error))),
    );
  };
  return { step, trouble, start, stop };
}
