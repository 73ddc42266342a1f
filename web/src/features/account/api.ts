import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

export const accountOptions = queryOptions(ask("get", "/api/v1/account"));

export const aboutOptions = queryOptions(ask("get", "/api/v1/about"));

export const tokensOptions = queryOptions(ask("get", "/api/v1/tokens"));

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  changePassword: (body: Schemas["PasswordChange"]) =>
    dataOf(client.PUT("/api/v1/account/password", { body })),
  offerSecondFactor: (password: string) =>
    dataOf(client.POST("/api/v1/account/second-factor", { body: { password } })),
  confirmSecondFactor: (code: string) =>
    dataOf(client.POST("/api/v1/account/second-factor/confirmed", { body: { code } })),
  removeSecondFactor: (password: string) =>
    dataOf(client.POST("/api/v1/account/second-factor/removed", { body: { password } })),
  endLogin: (login: string) =>
    dataOf(client.DELETE("/api/v1/account/logins/{login}", { params: { path: { login } } })),
  makeToken: (body: Schemas["NewToken"]) => dataOf(client.POST("/api/v1/tokens", { body })),
  revokeToken: (token: string) =>
    dataOf(client.DELETE("/api/v1/tokens/{token}", { params: { path: { token } } })),
};
