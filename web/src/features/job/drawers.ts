import { createContext, useContext } from "react";

export type Drawer = "rail" | "margin" | null;

/** On a phone the rail and the margin are drawers; this says which one is out. */
export const DrawerContext = createContext<{ drawer: Drawer; show: (drawer: Drawer) => void }>({
  drawer: null,
  show: () => {},
});

export const useDrawer = () => useContext(DrawerContext);
