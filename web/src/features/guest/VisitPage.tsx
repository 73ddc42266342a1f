import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { useNavigate } from "react-router";
import { api } from "./api";
import { sessionOptions } from "../session/api";
import { Failure } from "../../ui/Failure";
import { Waiting } from "../../ui/Waiting";

/** Opens a household's link. The secret stands behind the # and goes to no log. */
export function VisitPage({ text }: { text: string }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const begun = useRef(false);
  const enter = useMutation({
    mutationFn: () => api.visit(text),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: sessionOptions.queryKey });
      navigate("/", { replace: true });
    },
  });
  useEffect(() => {
    if (!begun.current) {
      begun.current = true;
      enter.mutate();
    }
  }, [enter]);
  return (
    <main className="mx-auto max-w-xl p-6">
      {enter.isError ? <Failure error={enter.error} /> : <Waiting what="your house" />}
    </main>
  );
}
