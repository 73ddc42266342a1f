package org.hiddenclerk.app.stage.papers;

import static j2html.TagCreator.div;
import static j2html.TagCreator.h1;
import static j2html.TagCreator.p;

import java.util.List;

/** What hangs at the door while people work in a house. */
final class DoorCard {
    private DoorCard() {}

    static PdfRenderer.Paper of(HouseFacts facts) {
        return new PdfRenderer.Paper(
                "Card for the door, " + facts.name(),
                facts.name() + " · card for the door",
                "",
                List.of(),
                new Figures(),
                div(h1("Work on the wiring of " + facts.name()), p("Leave the breakers as they are.")));
    }
}
