package org.hiddenclerk.app.stage.papers;

import static org.hiddenclerk.app.stage.papers.Way.figure;

import java.io.StringWriter;
import java.util.Locale;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/** Draws as SVG 1.1; text is escaped by the library. */
final class SvgCanvas implements Canvas {
    private static final XMLOutputFactory FACTORY = XMLOutputFactory.newFactory();

    private final StringWriter text = new StringWriter();
    private final XMLStreamWriter xml;

    /** @param title what the drawing says of itself */
    SvgCanvas(int top, int width, int height, String title) {
        try {
            xml = FACTORY.createXMLStreamWriter(text);
            xml.writeStartElement("svg");
            xml.writeDefaultNamespace("http://www.w3.org/2000/svg");
            attributes(
                    "version",
                    "1.1",
                    "viewBox",
                    "0 " + top + " " + width + " " + height,
                    "width",
                    figure(width),
                    "height",
                    figure(height),
                    "fill",
                    "none");
            xml.writeStartElement("title");
            xml.writeCharacters(title);
            xml.writeEndElement();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("A string can always be written to.", e);
        }
    }

    @Override
    public void shape(Way way, String fill, Pen pen) {
        try {
            xml.writeEmptyElement("path");
            attributes("d", way.svg());
            if (!fill.isEmpty()) {
                attributes("fill", fill);
            }
            if (pen.width() > 0) {
                attributes("stroke", pen.ink(), "stroke-width", figure(pen.width()));
            }
            if (pen.isRound()) {
                attributes("stroke-linecap", "round");
            }
            if (pen.dash() > 0) {
                attributes("stroke-dasharray", figure(pen.dash()) + " " + figure(pen.gap()));
            }
        } catch (XMLStreamException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void words(double x, double y, Hand hand, Anchor anchor, String words) {
        if (words.isEmpty()) {
            return;
        }
        try {
            xml.writeStartElement("text");
            attributes(
                    "x",
                    figure(x),
                    "y",
                    figure(y),
                    "font-size",
                    figure(hand.size()),
                    "font-family",
                    hand.mono() ? "Atkinson Hyperlegible Mono, monospace" : "Atkinson Hyperlegible Next, sans-serif",
                    "fill",
                    hand.ink());
            if (hand.bold()) {
                attributes("font-weight", "bold");
            }
            if (anchor != Anchor.START) {
                attributes("text-anchor", anchor.name().toLowerCase(Locale.ROOT));
            }
            xml.writeCharacters(words);
            xml.writeEndElement();
        } catch (XMLStreamException e) {
            throw new IllegalStateException(e);
        }
    }

    private void attributes(String... namesAndValues) throws XMLStreamException {
        for (int i = 0; i < namesAndValues.length; i += 2) {
            xml.writeAttribute(namesAndValues[i], namesAndValues[i + 1]);
        }
    }

    String finish() {
        try {
            xml.writeEndElement();
            xml.close();
            return text.toString();
        } catch (XMLStreamException e) {
            throw new IllegalStateException(e);
        }
    }
}
