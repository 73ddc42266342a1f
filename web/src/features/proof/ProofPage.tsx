import { marked } from "marked";
import words from "../../../../docs/proof.md?raw";
import { TopBar } from "../job/TopBar";

const html = marked.parse(words, { async: false });

/** What the stamp means, what it relies on and what it does not cover: the page of the project's own papers. */
export default function ProofPage() {
  return (
    <div className="flex h-full flex-col">
      <TopBar />
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: the page has nothing but text, and the keyboard must reach it to scroll */}
      <main tabIndex={0} className="flex-1 overflow-y-auto p-4 sm:p-6">
        {/* biome-ignore lint/security/noDangerouslySetInnerHtml: it ships with the application; nobody can type into it */}
        <article className="paper-text mx-auto w-full max-w-3xl" dangerouslySetInnerHTML={{ __html: html }} />
      </main>
    </div>
  );
}
