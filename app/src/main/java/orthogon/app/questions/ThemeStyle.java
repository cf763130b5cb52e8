package orthogon.app.questions;

import orthogon.core.questionnaire.Presentation;

/** The theme of a questionnaire as style of its pages. */
public final class ThemeStyle {

    private ThemeStyle() {}

    /** Declarations for the page; empty where everything is as usual. Colours are checked to be {@code #rrggbb} before they come here. */
    public static String of(Presentation.Theme theme) {
        StringBuilder style = new StringBuilder();
        if (!theme.colour().isEmpty()) {
            style.append("--act:").append(theme.colour()).append(";--on-act:").append(isLight(theme.colour()) ? "#1E2530" : "#FFFFFF")
                    .append(';');
        }
        if (!theme.background().isEmpty()) {
            style.append("--paper:").append(theme.background()).append(';');
        }
        if (theme.typeSize() != 100) {
            style.append("font-size:").append(theme.typeSize() * 1.0625 / 100).append("rem;");
        }
        return style.toString();
    }

    /** Relative luminance above 0.18 takes dark letters, so that the contrast is at least 4.5 either way (WCAG 2.2). */
    private static boolean isLight(String colour) {
        double luminance = 0;
        double[] weights = {0.2126, 0.7152, 0.0722};
        for (int i = 0; i < 3; i++) {
            double part = Integer.parseInt(colour.substring(1 + 2 * i, 3 + 2 * i), 16) / 255.0;
            luminance += weights[i] * (part <= 0.04045 ? part / 12.92 : Math.pow((part + 0.055) / 1.055, 2.4));
        }
        return luminance > 0.18;
    }
}
