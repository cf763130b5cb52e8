package orthogon.core.place;

/** Where something stands in a questionnaire. {@link PlaceText} reads the text form. */
public sealed interface Place {

    /** The place as files, reports and forms write it, as {@code count/accept/0}. */
    String text();

    /** The page, item or outcome that the place belongs to, by its code; empty for the questionnaire itself. */
    String row();

    /** Whether it is a rule of this family, a comparison in one, or a text at one. */
    default boolean isOf(RuleFamily family) {
        return switch (this) {
            case Rule rule -> rule.family() == family;
            case Comparison comparison -> comparison.rule().family() == family;
            case Text text -> text.owner().isOf(family);
            default -> false;
        };
    }

    /** The questionnaire as a whole. */
    record Whole() implements Place {
        @Override
        public String text() {
            return "";
        }

        @Override
        public String row() {
            return "";
        }
    }

    /** A page, an item or an outcome. */
    record Row(String code) implements Place {
        @Override
        public String text() {
            return code;
        }

        @Override
        public String row() {
            return code;
        }
    }

    /**
     * An option of a choice question, or a row of a grid.
     *
     * @param row code of the question
     * @param code of the option or the row
     */
    record Part(String row, String code) implements Place {
        @Override
        public String text() {
            return row + "." + code;
        }
    }

    /**
     * An expression.
     *
     * @param owner page, item, option or row of a grid at which it stands; the questionnaire for outcome rows and own claims
     * @param number from 0 in a list of rules; 0 for a rule that stands alone
     */
    record Rule(Place owner, RuleFamily family, int number) implements Place {

        public Rule {
            if (family.isOfDocument() != owner instanceof Whole || number < 0 || number > 0 && !family.isListed()) {
                throw new IllegalArgumentException("no rule " + family + " " + number + " stands at " + owner);
            }
        }

        /** The rule of a page, item or option that stands alone. */
        public static Rule at(Place owner, RuleFamily family) {
            return new Rule(owner, family, 0);
        }

        /** A rule of a list at a page or an item. */
        public static Rule at(String row, RuleFamily family, int number) {
            return new Rule(new Row(row), family, number);
        }

        /** A row of the outcome table. */
        public static Rule outcomeRow(int number) {
            return new Rule(new Whole(), RuleFamily.OUTCOME_ROW, number);
        }

        /** An own claim. */
        public static Rule ownClaim(int number) {
            return new Rule(new Whole(), RuleFamily.CLAIM, number);
        }

        @Override
        public String text() {
            return family.isOfDocument()
                    ? family.key() + "/" + number
                    : family.isListed() ? owner.text() + "/" + family.key() + "/" + number : owner.text() + "." + family.key();
        }

        @Override
        public String row() {
            return owner.row();
        }
    }

    /**
     * A comparison in an expression.
     *
     * @param number from 0, in reading order
     */
    record Comparison(Rule rule, int number) implements Place {
        @Override
        public String text() {
            return rule.text() + "#" + number;
        }

        @Override
        public String row() {
            return rule.row();
        }
    }

    /**
     * A text that respondents read.
     *
     * @param owner page, item, option, rule or outcome at which it stands; the questionnaire for its title and the like
     * @param name which of the owner's texts, as {@code wording}; in a rewording, {@code bat.label} for the label of an option
     */
    record Text(Place owner, String name) implements Place {
        @Override
        public String text() {
            return owner instanceof Whole ? name : owner.text() + "." + name;
        }

        @Override
        public String row() {
            return owner.row();
        }
    }

    /** A text in another language. */
    record InLanguage(String language, Text of) implements Place {
        @Override
        public String text() {
            return language + "/" + of.text();
        }

        @Override
        public String row() {
            return of.row();
        }
    }

    /** What a text says of an earlier answer, a derived value or a link parameter. */
    record Mention(Text in, String name) implements Place {
        @Override
        public String text() {
            return in.text() + "/" + name;
        }

        @Override
        public String row() {
            return in.row();
        }
    }

    /** An own claim by its code. */
    record Own(String code) implements Place {
        @Override
        public String text() {
            return code;
        }

        @Override
        public String row() {
            return "";
        }
    }
}
