package org.hiddenclerk.app.stage.papers;

import static j2html.TagCreator.div;
import static j2html.TagCreator.h1;
import static j2html.TagCreator.p;
import static org.hiddenclerk.app.stage.papers.Parts.mono;
import static org.hiddenclerk.app.stage.papers.Parts.text;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.job.house.JobRow;
import org.hiddenclerk.app.stage.bench.Credentials;
import org.springframework.stereotype.Component;

/** The codes of a job's modules as a PDF of their own that opens with a password only (AES-256); each code counts as shown. */
@Component
class SealedSection {
    private static final int KEY_BITS = 256;

    private final Credentials credentials;
    private final Houses houses;

    SealedSection(Credentials credentials, Houses houses) {
        this.credentials = credentials;
        this.houses = houses;
    }

    /** @param why is written down with each code */
    byte[] print(UUID job, PaperSize size, String password, String why, String who) {
        JobRow row = houses.job(job);
        List<Credentials.Opened> codes = credentials.openAll(job, "sealed section: " + why, who);
        PdfRenderer.Paper paper = new PdfRenderer.Paper(
                "Sealed section, " + row.name(),
                row.name() + " · sealed section, keep it locked away",
                "",
                List.of(),
                new Figures(),
                div(
                        h1("Sealed section"),
                        p(row.name() + (row.place().isEmpty() ? "" : ", " + row.place()) + ". Made by " + who + "."),
                        p("With these codes anybody can take the modules over. Keep this apart from the other papers, "
                                        + "locked away; hand it to the owner of the house and to nobody else.")
                                .withClass("caution"),
                        Parts.rows(
                                List.of("Module", "Serial", "Code", "Reads"),
                                codes.stream()
                                        .map(code -> List.of(
                                                text(code.name()),
                                                mono(code.serial()),
                                                text(code.kind()),
                                                mono(code.text())))
                                        .toList())));
        return lock(PdfRenderer.print(paper, size, Watch.NOBODY), password);
    }

    private static byte[] lock(byte[] pdf, String password) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            AccessPermission reading = new AccessPermission();
            reading.setCanModify(false);
            StandardProtectionPolicy policy =
                    new StandardProtectionPolicy(UUID.randomUUID().toString(), password, reading);
            policy.setEncryptionKeyLength(KEY_BITS);
            document.protect(policy);
            ByteArrayOutputStream locked = new ByteArrayOutputStream();
            document.save(locked);
            return locked.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
