import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import type { ReactNode } from "react";
import { MemoryRouter } from "react-router";

/** Shows something as the application does, at an address, with what the stand-in server answers asked once. */
export function show(page: ReactNode, at = "/") {
  return render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <MemoryRouter initialEntries={[at]}>{page}</MemoryRouter>
    </QueryClientProvider>,
  );
}
