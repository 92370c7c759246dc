import { Toast } from "radix-ui";
import { createContext, type ReactNode, useCallback, useContext, useMemo, useState } from "react";
import { uiText } from "../words";

type Message = {
  readonly id: number;
  readonly text: string;
  readonly act: { readonly label: string; readonly run: () => void } | null;
};

type Say = (text: string, act?: Message["act"]) => void;

const SayContext = createContext<Say>(() => undefined);

/** Says a line at the foot of the screen, with one thing to do about it at most. */
export function useSay(): Say {
  return useContext(SayContext);
}

export function ToastProvider({ children }: { readonly children: ReactNode }) {
  const [messages, setMessages] = useState<readonly Message[]>([]);
  const say = useCallback<Say>((text, act = null) => {
    setMessages((there) => [...there.slice(-1), { id: Date.now() + Math.random(), text, act }]);
  }, []);
  const close = (id: number) => setMessages((there) => there.filter((message) => message.id !== id));
  const value = useMemo(() => say, [say]);
  return (
    <SayContext value={value}>
      <Toast.Provider duration={9000} label={uiText.notice}>
        {children}
        {messages.map((message) => (
          <Toast.Root
            key={message.id}
            onOpenChange={(open) => !open && close(message.id)}
            className="flex items-center justify-between gap-3 rounded-lg bg-ink px-4 py-2 text-paper shadow-lg"
          >
            <Toast.Description>{message.text}</Toast.Description>
            {message.act && (
              <Toast.Action
                altText={message.act.label}
                onClick={message.act.run}
                className="min-h-11 rounded px-3 font-semibold underline underline-offset-4"
              >
                {message.act.label}
              </Toast.Action>
            )}
          </Toast.Root>
        ))}
        {/* On a phone above the button at the foot of a form, which it would cover. */}
        <Toast.Viewport
          label={uiText.notices}
          className="fixed inset-x-3 bottom-20 z-50 mx-auto sm:bottom-3 flex max-w-lg flex-col gap-2 outline-none"
        />
      </Toast.Provider>
    </SayContext>
  );
}
