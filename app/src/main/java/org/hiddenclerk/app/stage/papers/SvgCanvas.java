package org.hiddenclerk.app.stage.papers;

import static org.hiddenclerk.core.wiring.drawing.Way.figure;

import java.io.StringWriter;
import java.util.Locale;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import org.hiddenclerk.core.wiring.drawing.Artwork;
import org.hiddenclerk.core.wiring.drawing.Ink;

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
    public void stroke(Artwork.Stroke stroke) {
        Artwork.Pen pen = stroke.pen();
        try {
            xml.writeEmptyElement("path");
            attributes("d", stroke.way().svg());
            if (stroke.fill() != Ink.NONE) {
                attributes("fill", PaperInk.of(stroke.fill()));
            }
            if (pen.width() > 0) {
                attributes("stroke", PaperInk.of(pen.ink()), "stroke-width", figure(pen.width()));
            }
            if (pen.round()) {
                attributes("stroke-linecap", "round");
            }
            if (pen.inked() > 0) {
                attributes("stroke-dasharray", figure(pen.inked()) + " " + figure(pen.gap()));
            }
        } catch (XMLStreamException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void words(Artwork.Lettering words) {
        Artwork.Face face = words.face();
        try {
            xml.writeStartElement("text");
            attributes(
                    "x",
                    figure(words.x()),
                    "y",
                    figure(words.y()),
                    "font-size",
                    figure(face.size()),
                    "font-family",
                    face.mono() ? "Atkinson Hyperlegible Mono, monospace" : "Atkinson Hyperlegible Next, sans-serif",
                    "fill",
                    PaperInk.of(face.ink()));
            if (face.bold()) {
                attributes("font-weight", "bold");
            }
            if (words.anchor() != Artwork.Anchor.START) {
                attributes("text-anchor", words.anchor().name().toLowerCase(Locale.ROOT));
            }
            xml.writeCharacters(words.text());
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
