package ivesk.server;

import ivesk.server.data.Commands;
import ivesk.server.data.StartRefused;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;

@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
public class IveskApplication {

  /// Without a word before the options the server starts; with one, that is done and it ends.
  public static void main(String[] args) {
    if (args.length > 0 && !args[0].startsWith("--")) {
      System.exit(command(args));
    }
    try {
      SpringApplication.run(IveskApplication.class, args);
    } catch (StartRefused said) {
      System.exit(2);
    }
  }

  private static int command(String[] args) {
    Map<String, String> options = new HashMap<>();
    Optional<Path> file = Optional.empty();
    for (String word : Arrays.asList(args).subList(1, args.length)) {
      int equals = word.indexOf('=');
      if (word.startsWith("--") && equals > 0) {
        options.put(word.substring(2, equals), word.substring(equals + 1));
      } else {
        file = Optional.of(Path.of(word));
      }
    }
    return Commands.run(args[0], file, options);
  }
}
