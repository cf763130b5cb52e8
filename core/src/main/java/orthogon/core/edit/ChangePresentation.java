package orthogon.core.edit;

import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.LinkParameter;
import orthogon.core.questionnaire.Refused;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Other texts around the questions, another theme, other link parameters. */
public record ChangePresentation(Presentation presentation, List<LinkParameter> linkParameters) implements Edit {

    private static final int LARGEST_PICTURE = 400_000;

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        Presentation.Theme theme = presentation.theme();
        for (String colour : List.of(theme.colour(), theme.background())) {
            if (!colour.isEmpty() && !colour.matches("#[0-9a-fA-F]{6}")) {
                throw new Refused("“" + colour + "” is not a colour; write it like #0e5a68.");
            }
        }
        if (theme.typeSize() < 80 || theme.typeSize() > 160) {
            throw new Refused("The type size is 80 to 160 percent of the usual size, not " + theme.typeSize() + ".");
        }
        for (String picture : List.of(theme.logo(), presentation.welcome().picture())) {
            refuseBadPicture(picture);
        }
        Set<String> old = new HashSet<>();
        document.linkParameters().forEach(p -> old.add(p.code()));
        Questionnaire without = document.withLinkParameters(List.of());
        WholeDocument.refuseTaken(linkParameters.stream().map(LinkParameter::code).toList(), without);
        Questionnaire changed = document.withLinkParameters(linkParameters).withPresentation(presentation);
        for (LinkParameter parameter : document.linkParameters()) {
            List<String> dependents = References.dependents(document, parameter.code());
            if (linkParameters.stream().noneMatch(p -> p.code().equals(parameter.code())) && !dependents.isEmpty()) {
                throw new Refused("These depend on the link parameter " + parameter.code() + ": " + String.join(", ", dependents)
                        + ". Change them first.");
            }
        }
        WholeDocument.refuseNewFaults(document, changed);
        return changed;
    }

    /** Pictures travel with the document, so that a file is complete by itself. */
    static void refuseBadPicture(String picture) throws Refused {
        if (!picture.isEmpty() && !picture.matches("data:image/(png|jpeg|webp|gif);base64,[A-Za-z0-9+/=]+")) {
            throw new Refused("The picture is not a PNG, JPEG, WebP or GIF file.");
        }
        if (picture.length() > LARGEST_PICTURE) {
            throw new Refused("The picture is larger than 300 kB; make it smaller first.");
        }
    }

    @Override
    public String says() {
        return "changed the texts around the questions";
    }

    @Override
    public Set<String> about() {
        return Set.of(PRESENTATION);
    }
}
