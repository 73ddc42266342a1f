package org.hiddenclerk.app.platform.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.decoder.Decoder;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class QrPictureTest {
    private static final String URI =
            "otpauth://totp/Hidden%20Clerk:tarrow?secret=JBSWY3DPEHPK3PXP&issuer=Hidden%20Clerk";

    /** The library reads back what was drawn, from the drawing itself. */
    @Test
    void whatIsDrawnIsReadBack() throws Exception {
        String svg = new QrPicture().svg(URI);
        Matcher box = Pattern.compile("viewBox=\"0 0 (\\d+) ").matcher(svg);
        assertThat(box.find()).isTrue();
        int side = Integer.parseInt(box.group(1));
        BitMatrix matrix = new BitMatrix(side - 8);
        Matcher module = Pattern.compile("M(\\d+) (\\d+)h1v1h-1z").matcher(svg);
        while (module.find()) {
            matrix.set(Integer.parseInt(module.group(1)) - 4, Integer.parseInt(module.group(2)) - 4);
        }
        assertThat(new Decoder().decode(matrix).getText()).isEqualTo(URI);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Mozilla/5.0 (X11; Linux x86_64; rv:131.0) Gecko/20100101 Firefox/131.0 | Firefox, Linux",
                "Mozilla/5.0 (Windows NT 10.0) AppleWebKit/537.36 Chrome/130.0 Safari/537.36 Edg/130.0 | Edge, Windows",
                "Mozilla/5.0 (iPhone; CPU iPhone OS 17_5 like Mac OS X) AppleWebKit/605.1.15 Version/17.5 Safari/604.1 | Safari, iPhone",
                "curl/8.5 | Other program"
            })
    void aDeviceIsToldFromWhatItSaysOfItself(String agent, String device) {
        assertThat(LoginSessions.device(agent)).isEqualTo(device);
    }
}
