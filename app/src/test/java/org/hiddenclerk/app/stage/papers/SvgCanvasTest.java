package org.hiddenclerk.app.stage.papers;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.StringReader;
import java.util.List;
import javax.xml.parsers.DocumentBuilderFactory;
import org.hiddenclerk.core.wiring.drawing.Artwork;
import org.hiddenclerk.core.wiring.drawing.Ink;
import org.hiddenclerk.core.wiring.drawing.Marks;
import org.hiddenclerk.core.wiring.drawing.Way;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Document;
import org.xml.sax.InputSource;

/** What is written, read by a parser of XML. */
class SvgCanvasTest {
    @Test
    void wordsThatLookLikeMarksStayWords() throws Exception {
        Artwork.Group group = new Marks()
                .words(3, 4, Artwork.Anchor.MIDDLE, Artwork.Face.mono(12).strong(), "</text><script>alert(1)</script>")
                .words(0, 0, Artwork.Anchor.START, Artwork.Face.plain(12), "")
                .line(
                        Way.circle(5, 5, 2),
                        Artwork.Pen.of(Ink.TEXT, 1.5).roundEnds().dashed(3, 2))
                .group();
        Drawing drawing = Drawing.of("B-1 <of> & \"all\"", new Artwork(100, 50, List.of(), List.of(group)));
        Document read = DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new InputSource(new StringReader(drawing.svg())));
        assertThat(read.getElementsByTagName("script").getLength()).isZero();
        assertThat(read.getElementsByTagName("title").item(0).getTextContent()).isEqualTo("B-1 <of> & \"all\"");
        assertThat(read.getElementsByTagName("text").getLength())
                .as("nothing is written for no words")
                .isEqualTo(1);
        assertThat(read.getElementsByTagName("text").item(0).getTextContent())
                .isEqualTo("</text><script>alert(1)</script>");
        assertThat(read.getElementsByTagName("path")
                        .item(0)
                        .getAttributes()
                        .getNamedItem("stroke-dasharray")
                        .getNodeValue())
                .isEqualTo("3 2");
        assertThat(read.getElementsByTagName("path").item(0).getAttributes().getNamedItem("fill"))
                .isNull();
    }
}
