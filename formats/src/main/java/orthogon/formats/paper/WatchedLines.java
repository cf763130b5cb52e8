package orthogon.formats.paper;

import com.openhtmltopdf.extend.FSTextBreaker;
import com.openhtmltopdf.layout.UrlAwareLineBreakIterator;
import java.text.BreakIterator;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import orthogon.formats.progress.ProgressListener;

/** Breaks lines as usual, and tells how much of a text is set by then. The library that sets the pages tells nothing by itself. */
final class WatchedLines implements FSTextBreaker {

    private final FSTextBreaker usual = new UrlAwareLineBreakIterator(BreakIterator.getLineInstance(Locale.US));
    private final Set<String> set = new HashSet<>();
    private final ProgressListener progress;
    private final int length;
    private int done;

    WatchedLines(String html, ProgressListener progress) {
        this.progress = progress;
        this.length = Math.max(1, html.replaceAll("(?s)<style>.*</style>", "").replaceAll("\\s*<[^>]*>\\s*", "").length());
    }

    @Override
    public void setText(String text) {
        if (set.add(text)) {
            done += text.length();
        }
        progress.at("Setting the characters", Math.min(done, length), length);
        usual.setText(text);
    }

    @Override
    public int next() {
        return usual.next();
    }
}
