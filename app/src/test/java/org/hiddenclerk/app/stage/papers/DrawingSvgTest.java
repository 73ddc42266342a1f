package org.hiddenclerk.app.stage.papers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import javax.xml.parsers.DocumentBuilderFactory;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.w3c.dom.Document;
import org.w3c.dom.NodeList;

/** A drawing as a file is well-formed SVG, whatever people call their lamps. */
@WithDatabase
class DrawingSvgTest {
    @Autowired
    private MockMvc mvc;

    @Test
    void namesAreTextAndNothingElse() throws Exception {
        SmallHouse house = new SmallHouse(new Person(mvc));
        String box =
                house.box("S", survey -> survey.get("gangs").get(0).asObject().put("name", "<script>&\"lamp\""));
        house.pick(box, "SK-1");
        String svg = mvc.perform(MockMvcRequestBuilders.get("/api/v1/boxes/" + box + "/drawing.svg")
                        .with(user("tarrow").roles("OWNER")))
                .andReturn()
                .getResponse()
                .getContentAsString(StandardCharsets.UTF_8);
        DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
        factory.setNamespaceAware(true);
        Document document =
                factory.newDocumentBuilder().parse(new ByteArrayInputStream(svg.getBytes(StandardCharsets.UTF_8)));
        assertThat(document.getDocumentElement().getNamespaceURI()).isEqualTo("http://www.w3.org/2000/svg");
        NodeList words = document.getElementsByTagName("text");
        assertThat(java.util.stream.IntStream.range(0, words.getLength())
                        .mapToObj(i -> words.item(i).getTextContent()))
                .contains("<script>&\"lamp\"", "GNYE");
        assertThat(document.getElementsByTagName("script").getLength()).isZero();
    }
}
