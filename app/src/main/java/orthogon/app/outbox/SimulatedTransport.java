package orthogon.app.outbox;

/** Where no mail server is set: messages stay in the mailbox, and none leaves the machine. */
final class SimulatedTransport implements MailTransport {

    @Override
    public void deliver(KeptMessage message) {}

    @Override
    public boolean leaves() {
        return false;
    }

    @Override
    public String from() {
        return "orthogon@localhost";
    }
}
