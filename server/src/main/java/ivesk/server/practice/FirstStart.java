package ivesk.server.practice;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.annotation.Profile;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/// Where nobody works yet: an address on the terminal by which the owner is made. It holds for half
/// an hour and does once; a new start prints a new one.
@Component
@Profile("!demo")
class FirstStart {
  static final Duration HOLDS = Duration.ofMinutes(30);

  private final AccountStore accounts;
  private final Clock clock;
  private final boolean tls;
  private int port;
  private Optional<Offer> offer = Optional.empty();

  private record Offer(String hash, Instant until) {}

  FirstStart(AccountStore accounts, Clock clock, @Value("${server.ssl.key-store:}") String keys) {
    this.tls = !keys.isEmpty();
    this.accounts = accounts;
    this.clock = clock;
  }

  @EventListener
  void listening(WebServerInitializedEvent event) {
    port = event.getWebServer().getPort();
  }

  @EventListener(ApplicationReadyEvent.class)
  void ready() {
    if (!accounts.accounts().isEmpty()) return;
    System.out.println("Nobody works here yet. Open this address on this machine within 30 min:");
    System.out.println(
        (tls ? "https" : "http") + "://127.0.0.1:" + port + "/first-start#" + offer());
  }

  synchronized String offer() {
    String code = Tokens.fresh();
    offer = Optional.of(new Offer(Tokens.hash(code), clock.instant().plus(HOLDS)));
    return code;
  }

  /// Whether this is the code, in time, and not used; nobody works here yet.
  synchronized boolean holds(String code) {
    return accounts.accounts().isEmpty()
        && offer
            .filter(one -> clock.instant().isBefore(one.until()))
            .filter(one -> Tokens.same(one.hash(), Tokens.hash(code)))
            .isPresent();
  }

  /// Takes the offer while the owner is made: two at once make one.
  synchronized boolean take(String code) {
    if (!holds(code)) return false;
    offer = Optional.empty();
    return true;
  }

  /// The owner could not be made: the same address does again.
  synchronized void giveBack(String code) {
    offer = Optional.of(new Offer(Tokens.hash(code), clock.instant().plus(HOLDS)));
  }
}
