package org.hiddenclerk.app.stage.papers;

/** Something that can be drawn, in units of its own. */
interface Drawing {
    int width();

    /** Of what is shown. */
    int height();

    /** Where what is shown begins. */
    default int top() {
        return 0;
    }

    /** What it says of itself to those who cannot see it. */
    String title();

    void on(Canvas canvas);

    default String svg() {
        SvgCanvas canvas = new SvgCanvas(top(), width(), height(), title());
        on(canvas);
        return canvas.finish();
    }
}
