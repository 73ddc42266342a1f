import { queryOptions } from "@tanstack/react-query";
import { ask, client, dataOf, type Schemas } from "../../api/transport";

export const peopleOptions = queryOptions(ask("get", "/api/v1/people"));

export const assignedOptions = (job: string) =>
  queryOptions(ask("get", "/api/v1/jobs/{job}/assigned", { params: { path: { job } } }));

export const guestLinksOptions = (job: string) =>
  queryOptions(ask("get", "/api/v1/jobs/{job}/guests", { params: { path: { job } } }));

/** What is changed at the server, and what it is asked outside of a query. */
export const api = {
  readInvitation: (text: string) => dataOf(client.POST("/api/v1/invitation", { body: { text } })),
  acceptInvitation: (body: Schemas["InvitationAcceptance"]) =>
    dataOf(client.POST("/api/v1/invitation/accepted", { body })),
  invite: (body: Schemas["Invitation"]) => dataOf(client.POST("/api/v1/invitations", { body })),
  withdrawInvitation: (invitation: string) =>
    dataOf(client.DELETE("/api/v1/invitations/{invitation}", { params: { path: { invitation } } })),
  inviteAgain: (person: string) =>
    dataOf(client.POST("/api/v1/people/{person}/invited-again", { params: { path: { person } } })),
  changePerson: (person: string, body: Schemas["PersonChange"]) =>
    dataOf(client.PUT("/api/v1/people/{person}", { params: { path: { person } }, body })),
  assign: (job: string, people: string[]) =>
    dataOf(client.PUT("/api/v1/jobs/{job}/assigned", { params: { path: { job } }, body: { people } })),
  makeGuestLink: (job: string, body: Schemas["NewGuest"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/guests", { params: { path: { job } }, body })),
  revokeGuestLink: (job: string, guest: string) =>
    dataOf(client.DELETE("/api/v1/jobs/{job}/guests/{guest}", { params: { path: { job, guest } } })),
};
