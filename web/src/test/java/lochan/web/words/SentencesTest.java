package lochan.web.words;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.util.JavacTask;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.tools.JavaCompiler;
import javax.tools.StandardJavaFileManager;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * Keeps sentences in the message files. Four words in a row in a Java literal are one, but for exceptions that only
 * programmers read and
 * annotations. {@code sentences.txt} beside this class lists the files that hold sentences of their own, with their
 * number: it only gets shorter.
 */
@Tag("slow")
class SentencesTest {

    private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();
    private static final List<String> MODULES =
            List.of("core", "eventformat", "mapfiles", "instruments", "offline", "store", "web");
    private static final Pattern SENTENCE = Pattern.compile("(?:\\p{L}[\\p{L}’'-]*[,;:]? ){3,}\\p{L}[\\p{L}’'-]*");
    private static final Pattern FOR_PROGRAMMERS = Pattern.compile(
            "(?:Illegal\\w+|UnsupportedOperation|UncheckedIO|IO|NoSuchElement|NullPointer|Assertion|Arithmetic)\\w*");

    private static final Pattern CALLS_FOR_PROGRAMMERS =
            Pattern.compile("LOG\\.\\w+|(?:Objects\\.)?requireNonNull|expect");

    private static List<Path> sources() throws IOException {
        List<Path> sources = new java.util.ArrayList<>();
        for (String module : MODULES) {
            try (Stream<Path> files = Files.walk(ROOT.resolve(module).resolve("src/main/java"))) {
                files.filter(f -> f.toString().endsWith(".java")).forEach(sources::add);
            }
        }
        return sources;
    }

    private static Map<String, Integer> sentences(List<Path> sources) throws IOException {
        Map<String, Integer> found = new TreeMap<>();
        JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
        try (StandardJavaFileManager files = compiler.getStandardFileManager(null, null, StandardCharsets.UTF_8)) {
            JavacTask task = (JavacTask) compiler.getTask(
                    null, files, d -> {}, List.of("-proc:none"), null, files.getJavaFileObjectsFromPaths(sources));
            for (CompilationUnitTree unit : task.parse()) {
                String name = ROOT.relativize(Path.of(unit.getSourceFile().toUri()))
                        .toString()
                        .replaceFirst("^[^/]+/src/main/java/lochan/", "");
                new TreePathScanner<Void, Void>() {
                    @Override
                    public Void visitLiteral(LiteralTree literal, Void nothing) {
                        if (literal.getValue() instanceof String text
                                && SENTENCE.matcher(text).find()
                                && !isExempt(getCurrentPath())) {
                            found.merge(name, 1, Integer::sum);
                        }
                        return null;
                    }
                }.scan(unit, null);
            }
        }
        return found;
    }

    private static boolean isExempt(TreePath path) {
        for (TreePath p = path; p != null; p = p.getParentPath()) {
            if (p.getLeaf() instanceof AnnotationTree
                    || (p.getLeaf() instanceof MethodInvocationTree call
                            && CALLS_FOR_PROGRAMMERS
                                    .matcher(call.getMethodSelect().toString())
                                    .matches())
                    || (p.getLeaf() instanceof NewClassTree made
                            && FOR_PROGRAMMERS
                                    .matcher(made.getIdentifier().toString())
                                    .matches())) {
                return true;
            }
        }
        return false;
    }

    @Test
    void noFileHoldsMoreSentencesThanItIsListedWith() throws IOException {
        Map<String, Integer> listed = new TreeMap<>();
        for (String line : Files.readAllLines(ROOT.resolve("web/src/test/java/lochan/web/words/sentences.txt"))) {
            String[] words = line.split(" ");
            listed.put(words[1], Integer.valueOf(words[0]));
        }
        assertThat(sentences(sources())).isEqualTo(listed);
    }

    @Test
    void findsASentenceAndKnowsWhatIsNone(@org.junit.jupiter.api.io.TempDir Path folder) throws IOException {
        Path source = folder.resolve("Sample.java");
        Files.writeString(source, """
                class Sample {
                    @Deprecated(since = "the day before it all began")
                    String found = "That spot is not here";
                    String code = "spot-not-there";
                    void check() { throw new IllegalStateException("the tour does not fit"); }
                }
                """);
        assertThat(sentences(List.of(source)).values()).containsExactly(1);
    }
}
