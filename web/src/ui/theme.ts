/** The two themes; the choice is kept in this browser. */
export type Theme = "daylight" | "cellar";

export const currentTheme = (): Theme =>
  document.documentElement.dataset.theme === "cellar" ? "cellar" : "daylight";

export function setTheme(theme: Theme) {
  document.documentElement.dataset.theme = theme;
  localStorage.setItem("theme", theme);
}
