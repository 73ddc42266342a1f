// Houses for many people to work on: as many jobs of sixty boxes as asked, made from the export of a house that is there.
import { randomUUID } from "node:crypto";

const BOXES = 60;
const NAME = "Load house ";
const UUID = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g;
const OF_BOX = ["gang", "boxLoad", "boxCable", "boxCore", "boxJumper", "boxPick"];

/** The same with new identities, one for each old one. */
function renewed(value, known = new Map()) {
  const text = JSON.stringify(value).replace(UUID, (old) => {
    known.set(old, known.get(old) ?? randomUUID());
    return known.get(old);
  });
  return JSON.parse(text);
}

/** Boxes of a house up to so many; those that cables join stay together. */
function someBoxes(parts, most) {
  const joined = new Map(parts.box.map((box) => [box.id, new Set([box.id])]));
  for (const { boxId, otherBox } of parts.boxCable.filter((cable) => cable.otherBox)) {
    const all = new Set([...joined.get(boxId), ...joined.get(otherBox)]);
    for (const id of all) {
      joined.set(id, all);
    }
  }
  const taken = new Set();
  for (const group of joined.values()) {
    if (taken.size + [...group].filter((id) => !taken.has(id)).length <= most) {
      group.forEach((id) => taken.add(id));
    }
  }
  return taken;
}

/** A job of sixty boxes: the boxes of the house again and again, under other labels. */
function house(file, number) {
  const { job, room, circuit, houseSetting, logEntry } = file.parts;
  const rows = { box: [], ...Object.fromEntries(OF_BOX.map((part) => [part, []])) };
  for (let copy = 0; rows.box.length < BOXES; copy++) {
    const taken = someBoxes(file.parts, BOXES - rows.box.length);
    const known = new Map([...job, ...room, ...circuit].map((row) => [row.id, row.id]));
    if (copy === 0) {
      file.parts.box.forEach((box) => known.set(box.id, box.id));
    }
    const again = renewed(
      {
        box: file.parts.box.filter((box) => taken.has(box.id)).map((box) => ({ ...box, label: copy === 0 ? box.label : `${box.label}/${copy + 1}` })),
        ...Object.fromEntries(OF_BOX.map((part) => [part, file.parts[part].filter((row) => taken.has(row.boxId))])),
      },
      known,
    );
    for (const [part, more] of Object.entries(again)) {
      rows[part].push(...more);
    }
  }
  const empty = Object.fromEntries(Object.keys(file.parts).map((part) => [part, []]));
  const parts = { ...empty, job: [{ ...job[0], name: NAME + number }], room, circuit, houseSetting, logEntry, ...rows };
  return renewed({ ...file, parts });
}

/**
 * Makes the houses that are missing, and looks at each once, so that its boxes are judged.
 *
 * @param ask    asks the clerk as a lead: (method, path, body) => answer
 * @param wanted how many there must be
 */
export async function loadHouses(ask, wanted) {
  const there = await ask("GET", "/api/v1/jobs");
  const made = there.filter((job) => job.name.startsWith(NAME));
  const origin = there.filter((job) => !job.name.startsWith(NAME)).toSorted((a, b) => b.boxes - a.boxes)[0];
  if (made.length < wanted) {
    const file = await ask("GET", `/api/v1/jobs/${origin.id}/export`);
    for (let number = made.length + 1; number <= wanted; number++) {
      const taken = await ask("POST", "/api/v1/jobs/import?apply=true", house(file, number));
      if (taken.applied !== true) {
        throw new Error(`House ${number} was not taken: ${JSON.stringify(taken).slice(0, 400)}`);
      }
      if (number % 20 === 0) {
        console.log(`${number} of ${wanted} houses made`);
      }
    }
  }
  const houses = (await ask("GET", "/api/v1/jobs")).filter((job) => job.name.startsWith(NAME)).slice(0, wanted);
  for (const [i, job] of houses.entries()) {
    await ask("GET", `/api/v1/jobs/${job.id}`);
    if ((i + 1) % 20 === 0) {
      console.log(`${i + 1} of ${houses.length} houses judged`);
    }
  }
  return houses;
}
