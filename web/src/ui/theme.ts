/** The two themes; the choice is kept in this browser. */
export type Theme = "daylight" | "cellar";

export const currentTheme = (): Theme =>
  document.documentElement.dataset.theme === "cellar" ? "cellar" : "daylight";

/** Paper is white whatever the screen is. */
export function printInDaylight(): void {
  const root = document.documentElement;
  let onScreen = currentTheme();
  window.addEventListener("beforeprint", () => {
    onScreen = currentTheme();
    root.dataset.theme = "daylight";
  });
  window.addEventListener("afterprint", () => {
    root.dataset.theme = onScreen;
  });
}

export function setTheme(theme: Theme) {
  document.documentElement.dataset.theme = theme;
  localStorage.setItem("theme", theme);
}
