import { OPENS_AGAIN } from "./asking";
import { client, dataOf, type Schemas } from "./transport";

export { ApiProblem, type FieldProblem, NoConnection, type Schemas } from "./transport";

const box = (id: string) => ({ params: { path: { box: id } } });

/** Every call of the API that the interface makes. */
export const api = {
  session: () => dataOf(client.GET("/api/v1/session")),
  logIn: (body: Schemas["Login"]) => dataOf(client.POST("/api/v1/session", { body })),
  logOut: () => dataOf(client.DELETE("/api/v1/session")),
  makeOwner: (body: Schemas["Owner"]) => dataOf(client.POST("/api/v1/setup", { body })),
  readInvitation: (text: string) => dataOf(client.POST("/api/v1/invitation", { body: { text } })),
  acceptInvitation: (body: Schemas["InvitationAcceptance"]) =>
    dataOf(client.POST("/api/v1/invitation/accepted", { body })),
  visit: (text: string) => dataOf(client.POST("/api/v1/visit", { body: { text } })),
  account: () => dataOf(client.GET("/api/v1/account")),
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
  tokens: () => dataOf(client.GET("/api/v1/tokens")),
  makeToken: (body: Schemas["NewToken"]) => dataOf(client.POST("/api/v1/tokens", { body })),
  revokeToken: (token: string) =>
    dataOf(client.DELETE("/api/v1/tokens/{token}", { params: { path: { token } } })),
  people: () => dataOf(client.GET("/api/v1/people")),
  invite: (body: Schemas["Invitation"]) => dataOf(client.POST("/api/v1/invitations", { body })),
  withdrawInvitation: (invitation: string) =>
    dataOf(client.DELETE("/api/v1/invitations/{invitation}", { params: { path: { invitation } } })),
  inviteAgain: (person: string) =>
    dataOf(client.POST("/api/v1/people/{person}/invited-again", { params: { path: { person } } })),
  changePerson: (person: string, body: Schemas["PersonChange"]) =>
    dataOf(client.PUT("/api/v1/people/{person}", { params: { path: { person } }, body })),
  assigned: (job: string) => dataOf(client.GET("/api/v1/jobs/{job}/assigned", { params: { path: { job } } })),
  assign: (job: string, people: string[]) =>
    dataOf(client.PUT("/api/v1/jobs/{job}/assigned", { params: { path: { job } }, body: { people } })),
  guestLinks: (job: string) => dataOf(client.GET("/api/v1/jobs/{job}/guests", { params: { path: { job } } })),
  makeGuestLink: (job: string, body: Schemas["NewGuest"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/guests", { params: { path: { job } }, body })),
  revokeGuestLink: (job: string, guest: string) =>
    dataOf(client.DELETE("/api/v1/jobs/{job}/guests/{guest}", { params: { path: { job, guest } } })),
  guide: (job: string) => dataOf(client.GET("/api/v1/jobs/{job}/guide", { params: { path: { job } } })),
  about: () => dataOf(client.GET("/api/v1/about")),
  jobs: () => dataOf(client.GET("/api/v1/jobs")),
  regions: () => dataOf(client.GET("/api/v1/regions")),
  addJob: (body: Schemas["NewJob"]) => dataOf(client.POST("/api/v1/jobs", { body })),
  job: (job: string) => dataOf(client.GET("/api/v1/jobs/{job}", { params: { path: { job } } })),
  addRoom: (job: string, body: Schemas["NewRoom"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/rooms", { params: { path: { job } }, body })),
  renameRoom: (room: string, body: Schemas["RoomName"]) =>
    dataOf(client.PUT("/api/v1/rooms/{room}", { params: { path: { room } }, body })),
  addCircuit: (job: string, body: Schemas["NewCircuit"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/circuits", { params: { path: { job } }, body })),
  readLoads: (text: string) => dataOf(client.GET("/api/v1/loads/read", { params: { query: { text } } })),
  draftCable: (job: string, body: Schemas["CableWish"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/cable-draft", { params: { path: { job } }, body })),
  importCircuits: (job: string, csv: string, apply: boolean) =>
    dataOf(
      client.POST("/api/v1/jobs/{job}/import/circuits", {
        params: { path: { job }, query: { apply } },
        body: { csv },
      }),
    ),
  importBoxes: (job: string, csv: string, apply: boolean) =>
    dataOf(
      client.POST("/api/v1/jobs/{job}/import/boxes", {
        params: { path: { job }, query: { apply } },
        body: { csv },
      }),
    ),
  readBoxText: (job: string, text: string) =>
    dataOf(client.POST("/api/v1/jobs/{job}/box-text/read", { params: { path: { job } }, body: { text } })),
  writeBoxText: (job: string, survey: Schemas["SurveyDocument"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/box-text/write", { params: { path: { job } }, body: { survey } })),
  survey: (id: string) => dataOf(client.GET("/api/v1/boxes/{box}/survey", box(id))),
  addBox: (room: string, survey: Schemas["SurveyDocument"]) =>
    dataOf(client.POST("/api/v1/rooms/{room}/boxes", { params: { path: { room } }, body: { survey } })),
  /** @param asked whether the person knows what the change opens again */
  recordSurvey: (id: string, body: Schemas["SurveyChange"], asked = false) =>
    dataOf(client.PUT("/api/v1/boxes/{box}/survey", { ...box(id), body, headers: asked ? OPENS_AGAIN : {} })),
  match: (id: string, query: { gangs: number[]; loads: number[]; scheme?: Schemas["OfferView"]["scheme"] }) =>
    dataOf(client.GET("/api/v1/boxes/{box}/match", { params: { path: { box: id }, query } })),
  schemes: (id: string, query: { gangs: number[]; loads: number[] }) =>
    dataOf(client.GET("/api/v1/boxes/{box}/schemes", { params: { path: { box: id }, query } })),
  plan: (id: string, off: string[] = []) =>
    dataOf(client.GET("/api/v1/boxes/{box}/plan", { params: { path: { box: id }, query: { off } } })),
  choose: (id: string, body: Schemas["Choice"]) =>
    dataOf(client.PUT("/api/v1/boxes/{box}/plan", { ...box(id), body })),
  mend: (id: string, body: Schemas["Mending"]) =>
    dataOf(client.POST("/api/v1/boxes/{box}/plan/mend", { ...box(id), body })),
  whatIf: (id: string, moves: Schemas["EndMove"][]) =>
    dataOf(client.POST("/api/v1/boxes/{box}/plan/what-if", { ...box(id), body: { moves } })),
  issuePlan: (id: string, version: number) =>
    dataOf(client.POST("/api/v1/boxes/{box}/plan/issue", { ...box(id), body: { version } })),
  trace: (id: string) => dataOf(client.GET("/api/v1/boxes/{box}/trace", box(id))),
  keepReading: (id: string, body: Schemas["ReadingEntry"]) =>
    dataOf(client.POST("/api/v1/boxes/{box}/trace/readings", { ...box(id), body })),
  takeReadingBack: (id: string, reading: string) =>
    dataOf(
      client.DELETE("/api/v1/boxes/{box}/trace/readings/{reading}", {
        params: { path: { box: id, reading } },
      }),
    ),
  circuitSums: (job: string) =>
    dataOf(client.GET("/api/v1/jobs/{job}/circuit-sums", { params: { path: { job } } })),
  needs: (id: string) => dataOf(client.GET("/api/v1/boxes/{box}/needs", box(id))),
  photos: (id: string) => dataOf(client.GET("/api/v1/boxes/{box}/photos", box(id))),
  addPhoto: (id: string, picture: File) =>
    dataOf(
      client.POST("/api/v1/boxes/{box}/photos", {
        ...box(id),
        // The generated type knows a picture as text; it is sent as it is.
        body: picture as unknown as string,
        bodySerializer: (body: unknown) => body as BodyInit,
        headers: { "Content-Type": picture.type },
      }),
    ),
  removePhoto: (photo: string) =>
    dataOf(client.DELETE("/api/v1/photos/{photo}", { params: { path: { photo } } })),
  practiceBook: () => dataOf(client.GET("/api/v1/practice")),
  startPractice: (body: Schemas["NewWall"]) => dataOf(client.POST("/api/v1/practice", { body })),
  practiceWall: (run: string) => dataOf(client.GET("/api/v1/practice/{run}", { params: { path: { run } } })),
  actAtWall: (run: string, body: Schemas["NextDeed"]) =>
    dataOf(client.POST("/api/v1/practice/{run}/deeds", { params: { path: { run } }, body })),
  writeTrace: (id: string) => dataOf(client.POST("/api/v1/boxes/{box}/trace/write", box(id))),
  runSheet: (id: string) => dataOf(client.GET("/api/v1/boxes/{box}/run-sheet", box(id))),
  startRunSheet: (id: string) => dataOf(client.POST("/api/v1/boxes/{box}/run-sheet", box(id))),
  enterStep: (id: string, body: Schemas["StepEntry"]) =>
    dataOf(client.POST("/api/v1/boxes/{box}/run-sheet/entries", { ...box(id), body })),
  stopRunSheet: (id: string, body: Schemas["Reason"]) =>
    dataOf(client.POST("/api/v1/boxes/{box}/run-sheet/stop", { ...box(id), body })),
  resumeRunSheet: (id: string, body: Schemas["Reason"]) =>
    dataOf(client.POST("/api/v1/boxes/{box}/run-sheet/resume", { ...box(id), body })),
  correctReading: (id: string, body: Schemas["CorrectionEntry"]) =>
    dataOf(client.POST("/api/v1/boxes/{box}/run-sheet/corrections", { ...box(id), body })),
  acceptHold: (id: string, body: Schemas["Acceptance"]) =>
    dataOf(client.POST("/api/v1/boxes/{box}/plan/accepted", { ...box(id), body })),
  takeAcceptanceBack: (id: string, acceptance: string) =>
    dataOf(
      client.DELETE("/api/v1/boxes/{box}/plan/accepted/{acceptance}", {
        params: { path: { box: id, acceptance } },
      }),
    ),
  stock: () => dataOf(client.GET("/api/v1/stock")),
  addModule: (body: Schemas["NewModule"]) => dataOf(client.POST("/api/v1/stock/modules", { body })),
  changeModule: (code: string, body: Schemas["ModuleChange"]) =>
    dataOf(client.PUT("/api/v1/stock/modules/{code}", { params: { path: { code } }, body })),
  changeAccessory: (code: string, body: Schemas["AccessoryChange"]) =>
    dataOf(client.PUT("/api/v1/stock/accessories/{code}", { params: { path: { code } }, body })),
  importStock: (format: "JSON" | "CSV", text: string, apply: boolean) =>
    dataOf(client.POST("/api/v1/stock/import", { params: { query: { format, apply } }, body: { text } })),
  estimates: () => dataOf(client.GET("/api/v1/stock/estimates")),
  trade: () => dataOf(client.GET("/api/v1/stock/trade")),
  keepTrade: (body: Schemas["TradeView"]) => dataOf(client.PUT("/api/v1/stock/trade", { body })),
  jobCost: (job: string) => dataOf(client.GET("/api/v1/jobs/{job}/cost", { params: { path: { job } } })),
  keepEstimates: (body: Schemas["EstimatesView"]) => dataOf(client.PUT("/api/v1/stock/estimates", { body })),
  houseSettings: (job: string) =>
    dataOf(client.GET("/api/v1/jobs/{job}/settings", { params: { path: { job } } })),
  keepHouseSettings: (job: string, body: Schemas["HouseSettingsView"]) =>
    dataOf(client.PUT("/api/v1/jobs/{job}/settings", { params: { path: { job } }, body })),
  houseMatch: (job: string, page: number) =>
    dataOf(client.GET("/api/v1/jobs/{job}/house-match", { params: { path: { job }, query: { page } } })),
  houseChoices: (job: string) =>
    dataOf(client.GET("/api/v1/jobs/{job}/choices", { params: { path: { job } } })),
  chooseHouse: (job: string, body: Schemas["Asked"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/choices", { params: { path: { job } }, body })),
  stopChoice: (choice: string) =>
    dataOf(client.DELETE("/api/v1/choices/{choice}", { params: { path: { choice } } })),
  takeChoiceOver: (choice: string) =>
    dataOf(client.POST("/api/v1/choices/{choice}/take-over", { params: { path: { choice } } })),
  whyNot: (choice: string, unit: string, module: string) =>
    dataOf(
      client.GET("/api/v1/choices/{choice}/why-not", {
        params: { path: { choice }, query: { unit, module } },
      }),
    ),
  compareChoices: (choice: string, other: string) =>
    dataOf(client.GET("/api/v1/choices/{choice}/compare/{other}", { params: { path: { choice, other } } })),
  pickList: (job: string) =>
    dataOf(client.GET("/api/v1/jobs/{job}/pick-list", { params: { path: { job } } })),
  goodsIn: (job: string, body: Schemas["Arrival"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/goods-in", { params: { path: { job } }, body })),
  rules: (job: string) => dataOf(client.GET("/api/v1/jobs/{job}/rules", { params: { path: { job } } })),
  addRule: (job: string, body: Schemas["NewRule"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/rules", { params: { path: { job } }, body })),
  fillSlot: (job: string, rule: string, body: Schemas["Filling"]) =>
    dataOf(client.PUT("/api/v1/jobs/{job}/rules/{rule}/slot", { params: { path: { job, rule } }, body })),
  changeRule: (job: string, rule: string, body: Schemas["RuleChange"]) =>
    dataOf(client.PUT("/api/v1/jobs/{job}/rules/{rule}", { params: { path: { job, rule } }, body })),
  removeRule: (job: string, id: string, version: number) =>
    dataOf(
      client.DELETE("/api/v1/jobs/{job}/rules/{id}", { params: { path: { job, id }, query: { version } } }),
    ),
  linkControl: (job: string, body: Schemas["NewHouseLink"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/rules/links", { params: { path: { job } }, body })),
  linkBy: (job: string, link: string, way: Schemas["HouseLinkView"]["way"], version: number) =>
    dataOf(
      client.PUT("/api/v1/jobs/{job}/rules/links/{link}/way/{way}", {
        params: { path: { job, link, way }, query: { version } },
      }),
    ),
  addThing: (job: string, body: Schemas["NewThing"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/rules/things", { params: { path: { job } }, body })),
  fixRules: (job: string, body: Schemas["Fixing"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/rules/fix", { params: { path: { job } }, body })),
  importRuleCalendar: (job: string, body: Schemas["CalendarText"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/rules/calendar", { params: { path: { job } }, body })),
  undoRules: (job: string, version: number) =>
    dataOf(client.POST("/api/v1/jobs/{job}/rules/undo", { params: { path: { job } }, body: { version } })),
  placeHouse: (job: string, body: Schemas["Placing"]) =>
    dataOf(client.PUT("/api/v1/jobs/{job}/rules/place", { params: { path: { job } }, body })),
  addRulePart: (job: string, rule: string, body: Schemas["NewRulePart"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/rules/{rule}/parts", { params: { path: { job, rule } }, body })),
  takeRulePart: (job: string, rule: string, version: number, pointer: string) =>
    dataOf(
      client.DELETE("/api/v1/jobs/{job}/rules/{rule}/parts", {
        params: { path: { job, rule }, query: { version, pointer } },
      }),
    ),
  setDelays: (job: string, body: Schemas["DelaysChange"]) =>
    dataOf(client.PUT("/api/v1/jobs/{job}/rules/delays", { params: { path: { job } }, body })),
  liveHouse: (job: string) => dataOf(client.GET("/api/v1/jobs/{job}/live", { params: { path: { job } } })),
  startLiveHouse: (job: string) =>
    dataOf(client.POST("/api/v1/jobs/{job}/live/start", { params: { path: { job } } })),
  stopLiveHouse: (job: string) =>
    dataOf(client.DELETE("/api/v1/jobs/{job}/live", { params: { path: { job } } })),
  doInLiveHouse: (job: string, body: Schemas["LiveDeed"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/live/deeds", { params: { path: { job } }, body })),
  brokerAccounts: (job: string) =>
    dataOf(client.GET("/api/v1/jobs/{job}/live/accounts", { params: { path: { job } } })),
  makeBrokerAccount: (job: string, body: Schemas["NewBrokerAccount"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/live/accounts", { params: { path: { job } }, body })),
  takeBrokerAccount: (job: string, account: string) =>
    dataOf(
      client.DELETE("/api/v1/jobs/{job}/live/accounts/{account}", { params: { path: { job, account } } }),
    ),
  checks: (job: string) =>
    dataOf(client.GET("/api/v1/jobs/{job}/live/checks", { params: { path: { job } } })),
  addCheck: (job: string, version: number) =>
    dataOf(client.POST("/api/v1/jobs/{job}/live/checks", { params: { path: { job } }, body: { version } })),
  nameCheck: (job: string, check: string, body: Schemas["CheckName"]) =>
    dataOf(client.PUT("/api/v1/jobs/{job}/live/checks/{check}", { params: { path: { job, check } }, body })),
  fillCheckSlot: (job: string, check: string, body: Schemas["CheckFilling"]) =>
    dataOf(
      client.PUT("/api/v1/jobs/{job}/live/checks/{check}/slot", { params: { path: { job, check } }, body }),
    ),
  addCheckPart: (job: string, check: string, body: Schemas["NewCheckPart"]) =>
    dataOf(
      client.POST("/api/v1/jobs/{job}/live/checks/{check}/parts", { params: { path: { job, check } }, body }),
    ),
  takeCheckPart: (job: string, check: string, version: number, pointer: string) =>
    dataOf(
      client.DELETE("/api/v1/jobs/{job}/live/checks/{check}/parts", {
        params: { path: { job, check }, query: { version, pointer } },
      }),
    ),
  removeCheck: (job: string, check: string, version: number) =>
    dataOf(
      client.DELETE("/api/v1/jobs/{job}/live/checks/{check}", {
        params: { path: { job, check }, query: { version } },
      }),
    ),
  runCheck: (job: string, check: string) =>
    dataOf(client.POST("/api/v1/jobs/{job}/live/checks/{check}/run", { params: { path: { job, check } } })),
  rehearseHandover: (job: string, body: Schemas["Rehearsing"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/live/checks/rehearsal", { params: { path: { job } }, body })),
  feel: (id: string) => dataOf(client.GET("/api/v1/boxes/{box}/feel", box(id))),
  keepFeel: (id: string, key: string, body: Schemas["FeelChange"]) => {
    const [module = "", input = ""] = key.split("/");
    return dataOf(
      client.PUT("/api/v1/boxes/{box}/feel/{module}/{input}", {
        params: { path: { box: id, module, input } },
        body,
      }),
    );
  },
  behaviour: (body: unknown) => dataOf(client.POST("/api/v1/compute/behaviour", { body: body as never })),
  bench: (job: string) => dataOf(client.GET("/api/v1/jobs/{job}/bench", { params: { path: { job } } })),
  takeToBench: (job: string, body: Schemas["Taking"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/bench", { params: { path: { job } }, body })),
  markOnBench: (unit: string, body: Schemas["Marking"]) =>
    dataOf(client.POST("/api/v1/bench/{unit}/marks", { params: { path: { unit } }, body })),
  putAside: (unit: string, version: number) =>
    dataOf(client.POST("/api/v1/bench/{unit}/put-aside", { params: { path: { unit } }, body: { version } })),
  benchAddress: (unit: string, body: Schemas["Addressing"]) =>
    dataOf(client.PUT("/api/v1/bench/{unit}/address", { params: { path: { unit } }, body })),
  checkCredential: (body: Schemas["CredentialQuestion"]) =>
    dataOf(client.POST("/api/v1/compute/credential-check", { body })),
  radioPlan: (body: Schemas["ChannelQuestion"]) =>
    dataOf(client.POST("/api/v1/compute/radio-plan", { body })),
  keepCredential: (unit: string, body: Schemas["Keeping"]) =>
    dataOf(client.POST("/api/v1/bench/{unit}/credentials", { params: { path: { unit } }, body })),
  showCredential: (credential: string, why: string) =>
    dataOf(
      client.POST("/api/v1/credentials/{credential}/showings", {
        params: { path: { credential } },
        body: { why },
      }),
    ),
  join: (job: string) => dataOf(client.GET("/api/v1/jobs/{job}/join", { params: { path: { job } } })),
  openNetwork: (job: string, body: Schemas["Opening"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/join/window", { params: { path: { job } }, body })),
  closeNetwork: (job: string, body: Schemas["Closing"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/join/close", { params: { path: { job } }, body })),
  joinTogether: (job: string, body: Schemas["Closing"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/join/together", { params: { path: { job } }, body })),
  muster: (job: string) =>
    dataOf(client.POST("/api/v1/jobs/{job}/join/muster", { params: { path: { job } } })),
  flippedAt: (job: string, unit: string) =>
    dataOf(client.POST("/api/v1/jobs/{job}/join/flipped", { params: { path: { job } }, body: { unit } })),
  turnDevice: (device: string, body: Schemas["Turning"]) =>
    dataOf(client.POST("/api/v1/devices/{device}/switch", { params: { path: { device } }, body })),
  deviceSeen: (device: string, body: Schemas["Seeing"]) =>
    dataOf(client.POST("/api/v1/devices/{device}/seen", { params: { path: { device } }, body })),
  deviceUnknown: (device: string) =>
    dataOf(client.POST("/api/v1/devices/{device}/unknown", { params: { path: { device } } })),
  setUpDevice: (device: string) =>
    dataOf(client.POST("/api/v1/devices/{device}/set-up", { params: { path: { device } } })),
  readLink: (device: string, closed: boolean) =>
    dataOf(client.POST("/api/v1/devices/{device}/link", { params: { path: { device } }, body: { closed } })),
  standIn: (job: string) => dataOf(client.GET("/api/v1/jobs/{job}/stand-in", { params: { path: { job } } })),
  buildStandIn: (job: string, body: Schemas["Building"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/stand-in", { params: { path: { job } }, body })),
  standInHand: (job: string, body: Schemas["Hand"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/stand-in/hand", { params: { path: { job } }, body })),
  day: (job: string) => dataOf(client.GET("/api/v1/jobs/{job}/day", { params: { path: { job } } })),
  planDay: (job: string, body: Schemas["DayQuestion"]) =>
    dataOf(client.PUT("/api/v1/jobs/{job}/day", { params: { path: { job } }, body })),
  firmware: (job: string) => dataOf(client.GET("/api/v1/jobs/{job}/firmware", { params: { path: { job } } })),
  beginRollout: (job: string, body: Schemas["PolicyEntry"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/rollouts", { params: { path: { job } }, body })),
  keepFirmware: (body: Schemas["ReleaseEntry"]) => dataOf(client.POST("/api/v1/firmware", { body })),
  haltRollout: (rollout: string) =>
    dataOf(client.POST("/api/v1/rollouts/{rollout}/halt", { params: { path: { rollout } } })),
  goOnWithRollout: (rollout: string) =>
    dataOf(client.POST("/api/v1/rollouts/{rollout}/go-on", { params: { path: { rollout } } })),
  endRollout: (rollout: string) =>
    dataOf(client.POST("/api/v1/rollouts/{rollout}/end", { params: { path: { rollout } } })),
  benchSettings: (unit: string, body: Schemas["Wanting"]) =>
    dataOf(client.PUT("/api/v1/bench/{unit}/settings", { params: { path: { unit } }, body })),
  names: (job: string) => dataOf(client.GET("/api/v1/jobs/{job}/names", { params: { path: { job } } })),
  changeNaming: (job: string, body: Schemas["NamingChange"]) =>
    dataOf(client.PUT("/api/v1/jobs/{job}/names", { params: { path: { job } }, body })),
  renameAll: (job: string) =>
    dataOf(client.POST("/api/v1/jobs/{job}/names/rename", { params: { path: { job } } })),
  tickStep: (id: string, body: Schemas["TickEntry"]) =>
    dataOf(client.POST("/api/v1/boxes/{box}/run-sheet/ticks", { ...box(id), body })),
  measureStep: (id: string, body: Schemas["MeasureEntry"]) =>
    dataOf(client.POST("/api/v1/boxes/{box}/run-sheet/measurements", { ...box(id), body })),
  skipStep: (id: string, body: Schemas["SkipEntry"]) =>
    dataOf(client.POST("/api/v1/boxes/{box}/run-sheet/skips", { ...box(id), body })),
  foundOtherwise: (id: string, reason: string) =>
    dataOf(client.POST("/api/v1/boxes/{box}/run-sheet/found-otherwise", { ...box(id), body: { reason } })),
  lockCircuits: (id: string) => dataOf(client.POST("/api/v1/boxes/{box}/run-sheet/lock", box(id))),
  signOff: (id: string) => dataOf(client.POST("/api/v1/boxes/{box}/run-sheet/sign-off", box(id))),
  openFindings: (id: string) => dataOf(client.GET("/api/v1/boxes/{box}/found-otherwise", box(id))),
  settleFinding: (found: string) =>
    dataOf(client.POST("/api/v1/found-otherwise/{found}/settle", { params: { path: { found } } })),
  setRunSheetAside: (id: string, version: number) =>
    dataOf(client.POST("/api/v1/boxes/{box}/run-sheet/set-aside", { ...box(id), body: { version } })),
  handover: (job: string) => dataOf(client.GET("/api/v1/jobs/{job}/handover", { params: { path: { job } } })),
  enterHandoverTest: (job: string, body: Schemas["FoundAtTest"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/handover/entries", { params: { path: { job } }, body })),
  handOver: (job: string, body: Schemas["GivenTo"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/handover/given", { params: { path: { job } }, body })),
  papers: (job: string) => dataOf(client.GET("/api/v1/jobs/{job}/papers", { params: { path: { job } } })),
  makePaper: (job: string, body: Schemas["NewPaper"]) =>
    dataOf(client.POST("/api/v1/jobs/{job}/papers", { params: { path: { job } }, body })),
  stopPaper: (job: string, paper: string) =>
    dataOf(client.DELETE("/api/v1/jobs/{job}/papers/{paper}", { params: { path: { job, paper } } })),
  sealedSection: (job: string, body: Schemas["SealedRequest"]) =>
    dataOf(
      client.POST("/api/v1/jobs/{job}/papers/sealed-section.pdf", {
        params: { path: { job } },
        body,
        parseAs: "blob",
      }),
    ) as Promise<unknown> as Promise<Blob>,
  dayBook: () => dataOf(client.GET("/api/v1/day-book")),
  keepJobDetails: (job: string, body: Schemas["JobDetails"]) =>
    dataOf(client.PUT("/api/v1/jobs/{job}/details", { params: { path: { job } }, body })),
  archiveJob: (job: string) =>
    dataOf(client.POST("/api/v1/jobs/{job}/archived", { params: { path: { job } } })),
  takeJobUpAgain: (job: string) =>
    dataOf(client.DELETE("/api/v1/jobs/{job}/archived", { params: { path: { job } } })),
  removePeople: (job: string) =>
    dataOf(client.DELETE("/api/v1/jobs/{job}/people", { params: { path: { job } } })),
  deleteJob: (job: string, exported: string) =>
    dataOf(client.DELETE("/api/v1/jobs/{job}", { params: { path: { job }, query: { exported } } })),
  /** The file, with the SHA-256 that proves one has it. */
  exportJob: async (job: string) => {
    const answer = client.GET("/api/v1/jobs/{job}/export", { params: { path: { job } }, parseAs: "blob" });
    const blob = (await dataOf(answer)) as unknown as Blob;
    const { response } = await answer;
    return { blob, print: (response.headers.get("etag") ?? "").replace(/^W\/|"/g, "") };
  },
  importJob: (file: string, apply: boolean) =>
    dataOf(
      client.POST("/api/v1/jobs/import", {
        params: { query: { apply } },
        // The generated type knows the file as base64; it is sent as it is.
        body: file,
        bodySerializer: (text) => text as string,
        headers: { "Content-Type": "application/json" },
      }),
    ),
  search: (text: string) => dataOf(client.GET("/api/v1/search", { params: { query: { text } } })),
  log: (
    job: string,
    query: { box?: string; who?: string; concept?: string; text?: string; before?: number },
  ) => dataOf(client.GET("/api/v1/jobs/{job}/log", { params: { path: { job }, query } })),
  trends: (job: string) => dataOf(client.GET("/api/v1/jobs/{job}/trends", { params: { path: { job } } })),
  campaigns: () => dataOf(client.GET("/api/v1/firmware/campaigns")),
  replaceModule: (unit: string, body: Schemas["Replacing"]) =>
    dataOf(client.POST("/api/v1/bench/{unit}/replaced", { params: { path: { unit } }, body })),
};
