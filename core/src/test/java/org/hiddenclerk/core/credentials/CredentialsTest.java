package org.hiddenclerk.core.credentials;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.HexFormat;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Codes and addresses against published values; the letters and numbers are those of the list of check values. */
class CredentialsTest {
    private static <T> Violation.Rule ruleOf(Checked<T> checked) {
        return checked.flaw().orElseThrow().rule();
    }

    @Nested
    @DisplayName("install codes: Zigbee Base Device Behaviour 10.1, Zigbee specification C.5")
    class InstallCodes {
        @Test
        void partsAsPublished() {
            assertThat(InstallCode.crc("123456789".getBytes(StandardCharsets.US_ASCII)))
                    .isEqualTo(0x906E);
            assertThat(HexFormat.of().withUpperCase().formatHex(InstallCode.aesMmo(new byte[] {(byte) 0xC0})))
                    .isEqualTo("AE3A102A28D43EE0D4A09E22788B206C");
        }

        @ParameterizedTest(name = "{0}")
        @CsvSource({
            "ZI-1, 83FED3407A939723A5C639B26916D505, C3B5, 66B6900981E1EE3CA4206B6B861C02BB",
            "ZI-2, 83FED3407A939723A5C639B2, AD8B, C2B323EFC9FCA1D9657E32A0E5C2AAF3",
            "ZI-3, 83FED3407A939723, 97FC, 850BE0BF5B369AC441280A53265DB167",
            "ZI-4, 83FED3407A93, 2B70, CD4FA064773F46941EC986C09963D1A8",
            "ZI-5, 00112233445566778899AABBCCDDEEFF, 528F, 9AA467C78F4543F1BCA6CA03C3D73B31",
            "ZI-6, 0011223344556677, FC05, AD7ED6ED93A33EEA104E266F36965509",
            "ZI-7, 112233445566, 5A60, 99FE5A277D48CD877A87907AF3F909EB"
        })
        void haveTheirCheckAndLinkKey(String id, String code, String crc, String linkKey) {
            assertThat(InstallCode.read(code + crc).value().orElseThrow().linkKey())
                    .isEqualTo(linkKey);
        }

        @ParameterizedTest(name = "{0}")
        @CsvSource({
            "ZX-1, 83FED3407A939723A5C639B26916D505B5C3, CHECKSUM",
            "ZX-2, 83FED3407A939723A5C639B26916D505C3B4, CHECKSUM",
            "ZX-3, 83FED3407A939723A5C639B26916D506C3B5, CHECKSUM",
            "ZX-4, 83FED3407A9397C3B5, LENGTH",
            "ZX-6, 83FED3407A939723A5C639B26916D5O5C3B5, CHARACTER"
        })
        void areRefusedByTheRuleTheyBreak(String id, String code, Violation.Rule rule) {
            assertThat(ruleOf(InstallCode.read(code))).isEqualTo(rule);
        }

        @Test
        void layoutDoesNotCount() {
            assertThat(InstallCode.read("83FE D340 7a93-9723 A5C6 39B2 6916 D505 C3B5")
                            .value()
                            .orElseThrow()
                            .code())
                    .isEqualTo("83FED3407A939723A5C639B26916D505C3B5");
        }

        @Test
        void namesTheSlipThatExplainsIt() {
            assertThat(InstallCode.read("83FED3407A939723A5C639B26916D506C3B5").slips())
                    .extracting(TypingError::corrected)
                    .contains("83FED3407A939723A5C639B26916D505C3B5");
            assertThat(InstallCode.read("83FED3407A939723A5C639B26916D505B5C3")
                            .slips()
                            .get(0)
                            .words())
                    .contains("low byte comes first");
        }
    }

    @Nested
    @DisplayName("Z-Wave: the check reproduces ZW-1, a published example; the layout is from memory")
    class ZWave {
        private static final String PUBLISHED =
                "900132782003515253545541424344453132333435212223242500100435301537022065520001000000300578";

        @Test
        void startCodeAsPublished() {
            StartCode code = StartCode.read(PUBLISHED).value().orElseThrow();
            assertThat(code.version()).isEqualTo(1);
            assertThat(code.keys())
                    .containsExactlyInAnyOrder(StartCode.Key.UNAUTHENTICATED, StartCode.Key.AUTHENTICATED);
            assertThat(code.key().text()).isEqualTo("51525-35455-41424-34445-31323-33435-21222-32425");
            assertThat(code.key().pin()).isEqualTo("51525");
            assertThat(code.type().deviceClass()).isEqualTo(4353);
            assertThat(code.product()).isEqualTo(new StartCode.ProductId(65520, 100, 3, 578));
        }

        @ParameterizedTest(name = "{0}")
        @CsvSource({
            "ZW-2, 900100366135000010051501029015430205702571030850359900100409701792022065520000020000700258, 1, 4, "
                    + "00001-00515-01029-01543-02057-02571-03085-03599",
            "ZW-3, 900036035003655350000032768000010051565534046604398100100409601792022065520000010000100256, 0, 2, "
                    + "65535-00000-32768-00001-00515-65534-04660-43981"
        })
        void otherStartCodes(String id, String text, int version, int keys, String dsk) {
            StartCode code = StartCode.read(text).value().orElseThrow();
            assertThat(code.version()).isEqualTo(version);
            assertThat(code.keys()).hasSize(keys);
            assertThat(code.key().text()).isEqualTo(dsk);
        }

        @Test
        void wrongOnesAreRefused() {
            Checked<StartCode> wrong = StartCode.read(
                    "900100367135000010051501029015430205702571030850359900100409701792022065520000020000700258");
            assertThat(ruleOf(wrong)).as("ZW-4").isEqualTo(Violation.Rule.CHECKSUM);
            assertThat(wrong.slips()).extracting(TypingError::words).contains("digit 9 is 6, not 7");
            assertThat(ruleOf(ZWaveKey.read("DSK 51525-35455-41424-34445-31323-33435-21222-72425")))
                    .as("ZW-5")
                    .isEqualTo(Violation.Rule.GROUP);
            assertThat(ruleOf(ZWaveKey.read("DSK 51525-35455-41424-34445-31323-33435-21222")))
                    .as("ZW-6")
                    .isEqualTo(Violation.Rule.LENGTH);
        }

        @Test
        void cutOffCodesAreRefusedNotMisread() {
            for (int length = 0; length < PUBLISHED.length(); length++) {
                assertThat(StartCode.read(PUBLISHED.substring(0, length)).value())
                        .as("%d digits", length)
                        .isEmpty();
            }
        }
    }

    @Nested
    @DisplayName("Matter Core Specification, 5.1")
    class Matter {
        @Test
        void checkDigitsByVerhoeff() {
            assertThat(Verhoeff.checkDigit("236")).isEqualTo(3);
            assertThat(Verhoeff.checkDigit("12345")).isEqualTo(1);
        }

        @ParameterizedTest(name = "{0}")
        @CsvSource({
            "MT-1, MT:Y.K9042C00KA0648G00, 0xFFF1, 0x8000, 0, 2, 3840, 20202021",
            "MT-2, MT:-24J0AFN00KA0648G00, 0xFFF1, 0x8001, 0, 4, 3840, 20202021",
            "MT-3, MT:4CT912XW149GVH7SR00, 0xFFF1, 0x8004, 2, 6, 1132, 34567890",
            "MT-4, MT:EBGA4IRX171DQ36B420, 0xFFF4, 0x8010, 1, 2, 4095, 99999998",
            "MT-5, MT:634J0AFN00ID0000000, 0xFFF2, 0x8001, 0, 4, 0, 1"
        })
        void squareCodesBothWays(
                String id,
                String text,
                String vendor,
                String product,
                int flow,
                int capabilities,
                int discriminator,
                int passcode) {
            MatterQrCode code = new MatterQrCode(
                    0, Integer.decode(vendor), Integer.decode(product), flow, capabilities, discriminator, passcode);
            assertThat(MatterQrCode.read(text).value()).contains(code);
            assertThat(code.text()).isEqualTo(text);
            assertThat(MatterManualCode.read(code.manual().code()).value()).contains(code.manual());
        }

        @ParameterizedTest(name = "{0}")
        @CsvSource({
            "MT-6, 34970112332, 15, 20202021, , ",
            "MT-7, 749701123365521327694, 15, 20202021, 65521, 32769",
            "MT-8, 11403421099, 4, 34567890, , ",
            "MT-9, 00000100007, 0, 1, , ",
            "MT-10, 3497-011-2332, 15, 20202021, , "
        })
        void manualCodesBothWays(
                String id, String text, int discriminator, int passcode, Integer vendor, Integer product) {
            MatterManualCode code = MatterManualCode.read(text).value().orElseThrow();
            assertThat(code.shortDiscriminator()).isEqualTo(discriminator);
            assertThat(code.passcode()).isEqualTo(passcode);
            assertThat(code.product().map(MatterManualCode.Product::vendor).orElse(null))
                    .isEqualTo(vendor);
            assertThat(code.product().map(MatterManualCode.Product::product).orElse(null))
                    .isEqualTo(product);
            assertThat(code.code()).isEqualTo(text.replace("-", ""));
        }

        @ParameterizedTest(name = "{0}")
        @CsvSource({
            "MT-11, 34970112333, CHECKSUM",
            "MT-12, 34970112323, CHECKSUM",
            "MT-13, 35191106788, FORBIDDEN",
            "MT-14, 35767807533, FORBIDDEN",
            "MT-15, 84970112331, LAYOUT"
        })
        void wrongManualCodes(String id, String text, Violation.Rule rule) {
            assertThat(ruleOf(MatterManualCode.read(text))).isEqualTo(rule);
        }

        @ParameterizedTest(name = "{0}")
        @CsvSource({
            "MT-16, MT:Y.K9042C00KA0648G0, LENGTH",
            "MT-17, MT:y.k9042c00ka0648g00, CHARACTER",
            "MT-18, MT:.....42C00KA0648G00, GROUP",
            "MT-19, MT:Y.K9042C00YX018EW10, FORBIDDEN",
            "MT-20, MT:Y.K9042C00KA0640A30, LAYOUT"
        })
        void wrongSquareCodes(String id, String text, Violation.Rule rule) {
            assertThat(ruleOf(MatterQrCode.read(text))).isEqualTo(rule);
        }

        @Test
        void everySingleWrongDigitAndEverySwapIsFoundAndExplained() {
            String right = "34970112332";
            for (int at = 0; at < right.length(); at++) {
                for (char digit = '0'; digit <= '7'; digit++) {
                    String wrong = right.substring(0, at) + digit + right.substring(at + 1);
                    if (!wrong.equals(right)) {
                        Checked<MatterManualCode> checked = MatterManualCode.read(wrong);
                        assertThat(checked.value()).as(wrong).isEmpty();
                        if (ruleOf(checked) == Violation.Rule.CHECKSUM) {
                            assertThat(checked.slips())
                                    .as(wrong)
                                    .extracting(TypingError::corrected)
                                    .contains(right);
                        }
                    }
                }
            }
            assertThat(MatterManualCode.read("34970112323").slips())
                    .extracting(TypingError::words)
                    .contains("digits 10 and 11 are the other way round");
        }
    }

    @Nested
    @DisplayName("Wi-Fi: IEEE 802.11, Annex J")
    class Wifi {
        @ParameterizedTest(name = "{0}")
        @CsvSource({
            "WP-1, password, IEEE, f42c6fc52df0ebef9ebb4b90b38a5f902e83fe1b135a70e23aed762e9710a12e",
            "WP-2, ThisIsAPassword, ThisIsASSID, 0dc0d6eb90555ed6419756b9a15ec3e3209b63df707dd508d14581f8982721af",
            "WP-3, aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa, ZZZZZZZZZZZZZZZZZZZZZZZZZZZZZZZZ, "
                    + "becb93866bb8c3832cb777c2f559807c8c59afcb6eae734885001300a981cc62",
            "WP-4, correct horse 42, Workshop, b484a2eb9b2eb9cbe346f11aef4c6faf6ad2f13e59a18aa938eb8f130720b316",
            "WP-5, 12345678, Büro, cc2f2fd7104f8af68954f2af41dea1c1ea6981e3266252a0f12a175cc9440431"
        })
        void masterKeys(String id, String passphrase, String ssid, String key) {
            assertThat(WifiNetwork.of(ssid, passphrase, false)
                            .value()
                            .orElseThrow()
                            .masterKey())
                    .isEqualTo(key);
        }

        @Test
        void lengthsAndSigns() {
            assertThat(ruleOf(WifiNetwork.of("Lab", "1234567", false)))
                    .as("WV-1")
                    .isEqualTo(Violation.Rule.LENGTH);
            assertThat(WifiNetwork.of("Lab", "x".repeat(63), false).value())
                    .as("WV-2")
                    .isPresent();
            assertThat(WifiNetwork.of("Lab", "aB".repeat(32), false)
                            .value()
                            .orElseThrow()
                            .masterKey())
                    .as("WV-3")
                    .isEqualTo("ab".repeat(32));
            assertThat(ruleOf(WifiNetwork.of("Lab", "a".repeat(63) + "g", false)))
                    .as("WV-4")
                    .isEqualTo(Violation.Rule.CHARACTER);
            assertThat(ruleOf(WifiNetwork.of("Lab", "grüße123", false)))
                    .as("WV-5")
                    .isEqualTo(Violation.Rule.CHARACTER);
            assertThat(ruleOf(WifiNetwork.of("ü".repeat(17), "12345678", false)))
                    .as("WV-6")
                    .isEqualTo(Violation.Rule.LENGTH);
            assertThat(WifiNetwork.of("ü".repeat(16), "12345678", false).value())
                    .as("WV-7")
                    .isPresent();
            assertThat(ruleOf(WifiNetwork.of("", "12345678", false))).as("WV-8").isEqualTo(Violation.Rule.LENGTH);
        }

        @ParameterizedTest(name = "{0}")
        @CsvSource(
                quoteCharacter = '~',
                value = {
                    "WQ-1, mynetwork, mypass12, false, WIFI:T:WPA;S:mynetwork;P:mypass12;;",
                    "WQ-3, Guest, ~~, false, WIFI:T:nopass;S:Guest;;",
                    "WQ-4, Hidden:2, semi;colon, true, WIFI:T:WPA;S:Hidden\\:2;P:semi\\;colon;H:true;;"
                })
        void textsBothWays(String id, String ssid, String secret, boolean hidden, String text) {
            WifiNetwork network = WifiNetwork.of(ssid, secret, hidden).value().orElseThrow();
            assertThat(network.text()).isEqualTo(text);
            assertThat(WifiNetwork.read(text).value()).contains(network);
        }

        @Test
        void everySignThatMeansSomethingIsEscaped() {
            WifiNetwork network =
                    WifiNetwork.of("Lab;1", "a:b,c\"d\\e", false).value().orElseThrow();
            assertThat(network.text()).as("WQ-2").isEqualTo("WIFI:T:WPA;S:Lab\\;1;P:a\\:b\\,c\\\"d\\\\e;;");
            assertThat(WifiNetwork.read(network.text()).value()).contains(network);
            assertThat(WifiNetwork.read("WIFI:T:WPA;S:Lab%3B1;P:a%3Ab,c%22d%5Ce;;")
                            .value())
                    .as("percent signs")
                    .contains(network);
        }
    }

    @Nested
    @DisplayName("addresses: IEEE 802, RFC 4291 Appendix A")
    class Addresses {
        @Test
        void good() {
            DeviceAddress first =
                    DeviceAddress.read("34-56-78-9A-BC-DE").value().orElseThrow();
            assertThat(first.modified()).as("EU-1").isEqualTo("365678FFFE9ABCDE");
            assertThat(first.isLocal()).isFalse();
            assertThat(DeviceAddress.read("00:00:5e:ef:10:00:00:2a")
                            .value()
                            .orElseThrow()
                            .text())
                    .as("EU-2")
                    .isEqualTo("00:00:5E:EF:10:00:00:2A");
            assertThat(DeviceAddress.read("02:00:5e:10:00:00")
                            .value()
                            .orElseThrow()
                            .isLocal())
                    .as("EU-3")
                    .isTrue();
            assertThat(DeviceAddress.read("00005E005301").value().orElseThrow().modified())
                    .as("EU-9")
                    .isEqualTo("02005EFFFE005301");
        }

        @ParameterizedTest(name = "{0}")
        @CsvSource({
            "EU-4, 01:00:5e:00:00:fb, NOT_A_DEVICE",
            "EU-5, 00:00-5E:00:53:01, SEPARATOR",
            "EU-6, 00:00:5E:00:53, LENGTH",
            "EU-7, 00:00:5E:00:53:0G, CHARACTER",
            "EU-8, FF:FF:FF:FF:FF:FF, NOT_A_DEVICE"
        })
        void refused(String id, String text, Violation.Rule rule) {
            assertThat(ruleOf(DeviceAddress.read(text))).isEqualTo(rule);
        }
    }

    @Test
    void nothingTypedBreaksAReader() {
        for (String text : List.of(
                "", " ", "-", ":", "90", "MT:", "WIFI:", "WIFI:;", "DSK", "\u0000", "0".repeat(5000), "ü".repeat(40))) {
            assertThat(List.of(
                            InstallCode.read(text).flaw(),
                            ZWaveKey.read(text).flaw(),
                            StartCode.read(text).flaw(),
                            MatterManualCode.read(text).flaw(),
                            MatterQrCode.read(text).flaw(),
                            WifiNetwork.read(text).flaw(),
                            DeviceAddress.read(text).flaw()))
                    .as("\"%s\"", text)
                    .allSatisfy(flaw -> assertThat(flaw).isPresent());
        }
    }
}
