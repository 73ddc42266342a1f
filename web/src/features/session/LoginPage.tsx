import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api } from "../../api/client";
import { Failure } from "../../ui/Failure";
import { Logo } from "../../ui/Logo";
import { TextField } from "../../ui/TextField";

/** Log in, or make the first account. */
export function LoginPage({ setup }: { setup: boolean }) {
  const queries = useQueryClient();
  const [name, setName] = useState("");
  const [displayName, setDisplayName] = useState("");
  const [password, setPassword] = useState("");
  const enter = useMutation({
    mutationFn: () =>
      setup ? api.makeOwner({ name, displayName, password }) : api.logIn({ name, password }),
    onSuccess: () => queries.invalidateQueries(),
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    enter.mutate();
  };
  return (
    <main className="flex min-h-full items-center justify-center p-4">
      <form
        onSubmit={submit}
        className="bg-base-100 border-base-content w-full max-w-sm space-y-4 rounded-[4px] border-[1.5px] p-6"
      >
        <div className="flex items-center gap-3">
          <Logo size={36} />
          <h1 className="text-2xl">Hidden Clerk</h1>
        </div>
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
        {enter.isError && <Failure error={enter.error} />}
        <button type="submit" className="btn btn-primary w-full" disabled={enter.isPending}>
          {setup ? "make the account" : "log in"}
        </button>
      </form>
    </main>
  );
}
