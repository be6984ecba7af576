package lochan.browser;

import org.teavm.extension.spi.substitution.SimpleSubstitutionPolicy;
import org.teavm.extension.spi.substitution.SubstitutionSink;

/**
 * Tells the compiler of the page's modules which classes are replaced: some of Java's library by those below this
 * package, and the reader of message files by the phone's messages.
 */
public final class BrowserClasses extends SimpleSubstitutionPolicy {

    private static final String PREFIX = "Js";

    @Override
    public void contribute(SubstitutionSink sink) {
        sink.selectClasses(named("java.util.regex.Pattern").or(named("java.util.regex.Matcher")))
                .replacePackage("java.util.regex", "lochan.browser.regex")
                .simpleNamePrefix(PREFIX);
        sink.selectClasses(named("java.time.format.DateTimeFormatter"))
                .replacePackage("java.time.format", "lochan.browser.time")
                .simpleNamePrefix(PREFIX);
        sink.selectClasses(named("java.time.zone.ZoneRulesProvider"))
                .replacePackage("java.time.zone", "lochan.browser.time")
                .simpleNamePrefix(PREFIX);
        sink.selectClasses(named("lochan.wording.MessageFile"))
                .replacePackage("lochan.wording", "lochan.offline.words")
                .simpleNamePrefix(PREFIX);
    }
}
