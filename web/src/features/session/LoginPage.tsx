import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ApiProblem } from "../../api/transport";
import { api } from "./api";
import { Failure } from "../../ui/Failure";
import { TextField } from "../../ui/TextField";
import { Entrance } from "./Entrance";

/** Log in, or make the first account. */
export function LoginPage({ setup }: { setup: boolean }) {
  const queries = useQueryClient();
  const [name, setName] = useState("");
  const [displayName, setDisplayName] = useState("");
  const [password, setPassword] = useState("");
  const [code, setCode] = useState("");
  const enter = useMutation({
    mutationFn: () =>
      setup
        ? api.makeOwner({ name, displayName, password })
        : api.logIn({ name, password, ...(code ? { code } : {}) }),
    onSuccess: () => queries.invalidateQueries(),
  });
  const problem = enter.error instanceof ApiProblem ? enter.error.errors[0] : undefined;
  const asksCode = code !== "" || problem?.pointer === "/code";
  // Asked for it the first time, nothing is wrong yet.
  const failed = enter.isError && !(problem?.pointer === "/code" && code === "");
  return (
    <Entrance onSubmit={() => enter.mutate()}>
      <p className="text-soft">
        {setup ? "This is the first visit. Make the owner's account." : "Log in to open the day book."}
      </p>
      {setup && (
        <TextField
          label="Your name, as it stands on papers"
          value={displayName}
          onChange={setDisplayName}
          required
        />
      )}
      <TextField label="Login name" value={name} onChange={setName} autoComplete="username" required />
      <TextField
        label={setup ? "Password, 12 characters or more" : "Password"}
        type="password"
        value={password}
        onChange={setPassword}
        autoComplete={setup ? "new-password" : "current-password"}
        required
      />
      {asksCode && (
        <TextField
          label="Six digits from your device, or a recovery code"
          value={code}
          onChange={setCode}
          autoComplete="one-time-code"
          autoFocus
          required
        />
      )}
      {failed && enter.error && <Failure error={enter.error} />}
      <button type="submit" className="btn btn-primary w-full" disabled={enter.isPending}>
        {setup ? "make the account" : "log in"}
      </button>
    </Entrance>
  );
}
