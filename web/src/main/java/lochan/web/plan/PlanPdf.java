package lochan.web.plan;

import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/** Prints a plan on one page that reads in sunlight: black on white, the type as large as the stops allow. */
@Component
class PlanPdf {

    private static final double LARGEST_POINTS = 14;
    private static final double SMALLEST_POINTS = 5;
    private static final double STEP_POINTS = 0.75;

    private final ITemplateEngine templates;

    PlanPdf(ITemplateEngine templates) {
        this.templates = templates;
    }

    byte[] of(PlanSheet sheet) throws IOException {
        for (double points = LARGEST_POINTS; ; points -= STEP_POINTS) {
            byte[] pdf = rendered(sheet, points);
            try (PDDocument document = org.apache.pdfbox.Loader.loadPDF(pdf)) {
                if (document.getNumberOfPages() == 1 || points - STEP_POINTS < SMALLEST_POINTS) {
                    return pdf;
                }
            }
        }
    }

    private byte[] rendered(PlanSheet sheet, double points) throws IOException {
        Context context = new Context();
        context.setVariable("sheet", sheet);
        context.setVariable("points", points);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        new PdfRendererBuilder().useFastMode().useFont(() -> font("DejaVuSansCondensed.ttf"), "Sheet", 400, com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle.NORMAL, true)
                .useFont(() -> font("DejaVuSansCondensed-Bold.ttf"), "Sheet", 700, com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle.NORMAL, true)
                .withHtmlContent(templates.process("print/plan", context), null).toStream(out).run();
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
