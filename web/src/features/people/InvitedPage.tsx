import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api } from "./api";
import { sessionOptions } from "../session/api";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";
import { TextField } from "../../ui/TextField";
import { Entrance } from "../session/Entrance";
import { Waiting } from "../../ui/Waiting";

/** Whoever comes by an invitation chooses a name and a password. */
export function InvitedPage({ text }: { text: string }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const invitation = useQuery({
    queryKey: ["invitation"],
    queryFn: () => api.readInvitation(text),
    retry: false,
  });
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const known = invitation.data?.name;
  const accept = useMutation({
    mutationFn: () => api.acceptInvitation({ text, name: known ?? name, password }),
    onSuccess: async () => {
      // The link is used up; it need not stand in the history of the browser.
      await queries.invalidateQueries({ queryKey: sessionOptions.queryKey });
      navigate("/", { replace: true });
    },
  });
  return (
    <Entrance onSubmit={() => accept.mutate()}>
      {invitation.isPending && <Waiting what="the invitation" />}
      {invitation.isError && <Failure error={invitation.error} />}
      {invitation.data && (
        <>
          <p>
            {invitation.data.invitedBy} invites {invitation.data.displayName} as{" "}
            {invitation.data.roleLabel.toLowerCase()}. The link is good until{" "}
            {moment(invitation.data.expiresAt)}.
          </p>
          {known ? (
            <p className="text-soft">
              Your login name stays <span className="font-mono">{known}</span>. A second factor is taken off;
              set it up again afterwards.
            </p>
          ) : (
            <TextField label="Login name" value={name} onChange={setName} autoComplete="username" required />
          )}
          <TextField
            label="Password, 12 characters or more"
            type="password"
            value={password}
            onChange={setPassword}
            autoComplete="new-password"
            required
          />
          {accept.isError && <Failure error={accept.error} />}
          <button type="submit" className="btn btn-primary w-full" disabled={accept.isPending}>
            {known ? "keep the password and log in" : "make my account"}
          </button>
        </>
      )}
    </Entrance>
  );
}
