// Before the first paint, so that a dark hallway never sees a white flash.
document.documentElement.dataset.theme = localStorage.getItem("theme") === "cellar" ? "cellar" : "daylight";
