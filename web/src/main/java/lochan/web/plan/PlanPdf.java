package lochan.web.plan;

import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import lochan.core.Intake;
import lochan.core.quantity.Units;
import lochan.web.gear.Decks;
import lochan.web.gear.GearWords;
import lochan.web.gear.PackLine;
import lochan.web.gear.RodRow;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/** Prints a plan on one page that reads in sunlight, and its deck on a second: black on white, the type as large as the stops allow. */
@Component
class PlanPdf {

    private static final double LARGEST_POINTS = 14;
    private static final double SMALLEST_POINTS = 5;
    private static final double STEP_POINTS = 0.75;

    private final ITemplateEngine templates;

    PlanPdf(ITemplateEngine templates) {
        this.templates = templates;
    }

    /** @param deck rigged rods with what to pack; the second page is left out without rods */
    byte[] of(PlanSheet sheet, List<RodRow> rods, Decks.Deck deck, Units units) throws IOException {
        int pages = rods.isEmpty() ? 1 : 2;
        for (double points = LARGEST_POINTS; ; points -= STEP_POINTS) {
            byte[] pdf = rendered(sheet, rods, deck, units, points);
            try (PDDocument document = org.apache.pdfbox.Loader.loadPDF(pdf)) {
                if (document.getNumberOfPages() <= pages || points - STEP_POINTS < SMALLEST_POINTS) {
                    return pdf;
                }
            }
        }
    }

    private byte[] rendered(PlanSheet sheet, List<RodRow> rods, Decks.Deck deck, Units units, double points)
            throws IOException {
        Context context = new Context();
        context.setVariable("sheet", sheet);
        context.setVariable("points", points);
        context.setVariable("rods", rods);
        context.setVariable("broken", GearWords.of(deck.broken(), units));
        context.setVariable("packing", PackLine.of(deck.packing(), units));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        new PdfRendererBuilder()
                .useFont(
                        () -> font("DejaVuSansCondensed.ttf"),
                        "Sheet",
                        400,
                        com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle.NORMAL,
                        true)
                .useFont(
                        () -> font("DejaVuSansCondensed-Bold.ttf"),
                        "Sheet",
                        700,
                        com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle.NORMAL,
                        true)
                .withHtmlContent(Intake.text(templates.process("print/plan", context)), null)
                .toStream(out)
                .run();
        return out.toByteArray();
    }

    private static InputStream font(String name) {
        InputStream font = PlanPdf.class.getResourceAsStream("/fonts/" + name);
        if (font == null) {
            throw new UncheckedIOException(new IOException("the font " + name + " is not in the program"));
        }
        return font;
    }
}
