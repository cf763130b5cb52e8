package orthogon.app.command;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import orthogon.app.demo.DemoPeople;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Serves an identity service with which sign-in through one can be tried. */
@Command(name = "identity", description = "An identity service for trying sign-in through one.")
final class IdentityCommand implements Callable<Integer> {

    @Spec
    private CommandSpec spec;
    @Option(names = "--port", paramLabel = "N", defaultValue = "8419", description = "Its port; ${DEFAULT-VALUE} if it is left out.")
    private int port;

    @Override
    public Integer call() {
        List<IdentityStandIn.Account> accounts = new ArrayList<>();
        DemoPeople.names().forEach((name, shown) -> accounts.add(new IdentityStandIn.Account(name, shown, DemoPeople.email(name))));
        accounts.add(new IdentityStandIn.Account("stranger", "Pell Roe, whom nobody invited", "pell@example.org"));
        try (IdentityStandIn standIn = new IdentityStandIn(port, accounts)) {
            spec.commandLine().getOut()
                    .println("The identity service for trying answers at " + standIn.issuer() + ". Ctrl+C stops it.");
            Thread.currentThread().join();
        } catch (IOException | IllegalArgumentException e) {
            spec.commandLine().getErr().println("Port " + port + " is taken or may not be used. Choose another with --port N.");
            return 2;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return 0;
    }
}
