package org.hiddenclerk.app.stage.papers;

/** Is told how far a paper is; whoever throws there stops it. */
interface Watch {
    Watch NOBODY = (words, done, of) -> {};

    /** @param of 0 where nobody knows */
    void at(String words, int done, int of);
}
