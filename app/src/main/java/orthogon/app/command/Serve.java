package orthogon.app.command;

import java.io.IOException;
import java.io.PrintStream;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.stream.Stream;

/** Looks, before the web application starts, whether it can: what is in its way is told in one sentence. */
public final class Serve {

    private static final String DATA = "--orthogon.data=";
    private static final String PORT = "--orthogon.port=";
    private static final String DATABASE = "--orthogon.database=";
    private static final String USER = "--orthogon.database-user=";
    private static final String PASSWORD = "--orthogon.database-password=";
    private static final int USUAL_PORT = 8417;

    private Serve() {}

    /** Whether it can start; otherwise the sentence is printed. */
    public static boolean isPossible(String[] args, PrintStream err) {
        try {
            new DataFolder(Path.of(value(args, DATA, System.getProperty("orthogon.data", "./data")))).take();
            return isFree(value(args, PORT, System.getProperty("orthogon.port", String.valueOf(USUAL_PORT))), err)
                    && isReached(args, err);
        } catch (DataFolder.Unusable e) {
            err.println(e.getMessage());
            return false;
        }
    }

    /** The settings that were given, but for the folder, whose full path is told: the driver of the database takes no other. */
    public static String[] settings(String[] args) {
        Path folder = Path.of(value(args, DATA, System.getProperty("orthogon.data", "./data"))).toAbsolutePath().normalize();
        return Stream.concat(Stream.of(DATA + folder), Arrays.stream(args).filter(a -> a.startsWith("--") && !a.startsWith(DATA)))
                .toArray(String[]::new);
    }

    private static String value(String[] args, String option, String otherwise) {
        return Arrays.stream(args).filter(a -> a.startsWith(option)).map(a -> a.substring(option.length())).reduce((a, b) -> b)
                .orElse(otherwise);
    }

    /** Whether the database answers, where it is not a file of the folder. */
    private static boolean isReached(String[] args, PrintStream err) {
        String address = value(args, DATABASE, System.getenv().getOrDefault("ORTHOGON_DATABASE", ""));
        if (address.isEmpty()) {
            return true;
        }
        String user = value(args, USER, System.getenv().getOrDefault("ORTHOGON_DATABASEUSER", "sa"));
        String password = value(args, PASSWORD, System.getenv().getOrDefault("ORTHOGON_DATABASEPASSWORD", ""));
        try (Connection connection = DriverManager.getConnection(address, user, password)) {
            return connection.isValid(0);
        } catch (SQLException e) {
            err.println(DataFolder.unreached(address));
            return false;
        }
    }

    private static boolean isFree(String port, PrintStream err) {
        if (!port.matches("\\d{1,5}") || Integer.parseInt(port) > 65_535) {
            err.println("“" + port + "” is no port. Write a number up to 65535: " + PORT + USUAL_PORT);
            return false;
        }
        try (ServerSocket socket = new ServerSocket()) {
            socket.setReuseAddress(true);
            socket.bind(new InetSocketAddress(Integer.parseInt(port)));
            return true;
        } catch (IOException e) {
            err.println("Port " + port + " is taken or may not be used. Choose another with " + PORT + "N.");
            return false;
        }
    }
}
