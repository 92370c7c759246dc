/** Passkeys of this device: made for an account, and used to come in. */
import { startAuthentication, startRegistration } from "@simplewebauthn/browser";
import { http } from "./client";
import type { Problem } from "./types";

export type Tried = { readonly problems: readonly Problem[] } | "in" | "left";

/** The browser asks; whoever closes its question has left it. */
async function asked<T>(question: () => Promise<T>): Promise<T | null> {
  try {
    return await question();
  } catch {
    return null;
  }
}

export async function makePasskey(name: string): Promise<Tried> {
  const { data, error } = await http.POST("/api/account/passkeys/options");
  if (!data) return { problems: error.errors };
  const made = await asked(() => startRegistration({ optionsJSON: JSON.parse(data.options) }));
  if (!made) return "left";
  const body = { name, credential: JSON.stringify(made) };
  const kept = await http.POST("/api/account/passkeys", { body });
  return kept.error ? { problems: kept.error.errors } : "in";
}

export async function comeInByPasskey(): Promise<Tried> {
  const { data } = await http.POST("/api/session/passkey/options");
  if (!data) return "left";
  const used = await asked(() => startAuthentication({ optionsJSON: JSON.parse(data.options) }));
  if (!used) return "left";
  const body = { id: used.id, credential: JSON.stringify(used) };
  const { error } = await http.POST("/api/session/passkey", { body });
  return error ? { problems: error.errors } : "in";
}
