package org.hiddenclerk.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import javax.imageio.ImageIO;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** Photos are made anew from what was sent. */
@WithDatabase
class PhotoTest {
    @Autowired
    private MockMvc mvc;

    private Person person;
    private String photos;

    @BeforeEach
    void chooseABox() {
        person = new Person(mvc);
        photos = "/api/v1/boxes/" + person.demoBox("B-02") + "/photos";
    }

    private MockHttpServletResponse send(byte[] content, MediaType as) throws Exception {
        return mvc.perform(MockMvcRequestBuilders.post(photos)
                        .with(user("tarrow").roles("OWNER"))
                        .with(csrf())
                        .contentType(as)
                        .content(content))
                .andReturn()
                .getResponse();
    }

    private static byte[] jpeg(int width, int height) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB), "jpg", out);
        return out.toByteArray();
    }

    /** A JPEG with an Exif segment (APP1) that says: turned by a quarter (0x0112 = 6), and a word that must not be kept. */
    private static byte[] withExif(byte[] jpeg, String secret) {
        byte[] hidden = secret.getBytes(StandardCharsets.US_ASCII);
        ByteArrayOutputStream tiff = new ByteArrayOutputStream();
        byte[] head = {
            'E', 'x', 'i', 'f', 0, 0, 'M', 'M', 0, 42, 0, 0, 0, 8, 0, 1, 0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, 6, 0, 0, 0, 0,
            0, 0
        };
        tiff.writeBytes(head);
        tiff.writeBytes(hidden);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(jpeg, 0, 2);
        int length = tiff.size() + 2;
        out.writeBytes(new byte[] {(byte) 0xff, (byte) 0xe1, (byte) (length >> 8), (byte) length});
        out.writeBytes(tiff.toByteArray());
        out.write(jpeg, 2, jpeg.length - 2);
        return out.toByteArray();
    }

    @Test
    void aPhotoIsTurnedShrunkAndStripped() throws Exception {
        MockHttpServletResponse made = send(withExif(jpeg(3000, 1500), "GPS 53.1 8.2"), MediaType.IMAGE_JPEG);
        assertThat(made.getStatus()).as(made.getContentAsString()).isEqualTo(201);
        String id = com.jayway.jsonpath.JsonPath.read(made.getContentAsString(), "$.id");

        MockHttpServletResponse picture = mvc.perform(MockMvcRequestBuilders.get("/api/v1/photos/" + id)
                        .with(user("tarrow").roles("OWNER")))
                .andReturn()
                .getResponse();
        assertThat(picture.getContentType()).isEqualTo("image/jpeg");
        assertThat(picture.getHeader("X-Content-Type-Options")).isEqualTo("nosniff");
        byte[] kept = picture.getContentAsByteArray();
        assertThat(new String(kept, StandardCharsets.ISO_8859_1))
                .doesNotContain("GPS")
                .doesNotContain("Exif");
        BufferedImage shown = ImageIO.read(new ByteArrayInputStream(kept));
        assertThat(shown.getHeight()).as("turned upright").isEqualTo(2000);
        assertThat(shown.getWidth()).isEqualTo(1000);
        assertThat(person.get(photos).ok()).hasSize(1);

        person.delete("/api/v1/photos/" + id).ok();
        assertThat(person.get(photos).ok()).isEmpty();
    }

    @Test
    void whatIsNoPhotoIsRefusedWhateverItCallsItself() throws Exception {
        byte[] page = "<html><script>alert(1)</script></html>".getBytes(StandardCharsets.UTF_8);
        assertThat(send(page, MediaType.IMAGE_JPEG).getStatus()).isEqualTo(422);
        byte[] broken = java.util.Arrays.copyOf(jpeg(200, 200), 150);
        assertThat(send(broken, MediaType.IMAGE_JPEG).getStatus()).isEqualTo(422);
        assertThat(send(page, MediaType.TEXT_HTML).getStatus()).isEqualTo(415);
        assertThat(send(new byte[13_000_000], MediaType.IMAGE_PNG).getStatus()).isEqualTo(413);
        assertThat(person.get(photos).ok()).isEmpty();
    }
}
