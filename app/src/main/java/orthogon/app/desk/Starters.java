package orthogon.app.desk;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import orthogon.formats.json.UnusableFile;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.stereotype.Component;

/** Questionnaires to begin with, shipped with the application. */
@Component
class Starters {

    private final List<Questionnaire> all;

    Starters() {
        try {
            List<Questionnaire> read = new ArrayList<>();
            for (Resource file : new PathMatchingResourcePatternResolver().getResources("classpath:starters/*.orthogon.json")) {
                read.add(DocumentReader.read(file.getContentAsByteArray()));
            }
            read.sort(Comparator.comparing(Questionnaire::title));
            all = List.copyOf(read);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (UnusableFile e) {
            throw new IllegalStateException("a starter cannot be read: " + e.getMessage(), e);
        }
    }

    Optional<Questionnaire> get(String code) {
        return all.stream().filter(q -> q.code().equals(code)).findFirst();
    }

    /** The starters whose title, wordings or options contain the words; all starters for no words. */
    List<Questionnaire> about(String words) {
        String wanted = words.strip().toLowerCase(Locale.ROOT);
        return all.stream().filter(q -> wanted.isEmpty() || texts(q).contains(wanted)).toList();
    }

    private static String texts(Questionnaire q) {
        StringBuilder texts = new StringBuilder(q.title());
        q.pages().forEach(p -> texts.append(' ').append(p.title()));
        q.items().forEach(i -> texts.append(' ').append(i.wording()));
        q.questions().filter(x -> x.answer().hasOwnOptions())
                .forEach(x -> x.answer().options().forEach(o -> texts.append(' ').append(o.label())));
        return texts.toString().toLowerCase(Locale.ROOT);
    }
}
