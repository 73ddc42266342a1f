/** Heads of documents that nobody sees on the screen. */
const UNSEEN = ["survey", "document"];

/** Where in what was entered something is wrong, as people say it: "load 1, typed" for /survey/loads/0/typed. */
export function placeOf(pointer: string): string {
  const places: string[] = [];
  for (const segment of pointer.split("/").slice(1)) {
    if (/^\d+$/.test(segment)) {
      const many = places.pop() ?? "entry";
      places.push(`${many.replace(/ies$/, "y").replace(/s$/, "")} ${Number(segment) + 1}`);
    } else if (!(places.length === 0 && UNSEEN.includes(segment))) {
      places.push(
        segment.replace(/([a-z])([A-Z])/g, (_, before, after) => `${before} ${after.toLowerCase()}`),
      );
    }
  }
  return places.join(", ");
}
