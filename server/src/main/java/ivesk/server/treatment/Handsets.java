package ivesk.server.treatment;

import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.TreatmentEvent.Fact;
import ivesk.core.treatment.fact.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.fact.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.SignSeen;
import ivesk.server.app.Problems.Refused;
import ivesk.server.practice.SlowDown;
import ivesk.server.practice.Tokens;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/// The client's own phone or clicker. It says what the client feels, and never decides: what it
/// says is an answer like any other, with its source kept.
@Service
class Handsets {
  /// Who said it, in the record; no account has such a name.
  static final String SOURCE = "client's handset";

  /// How long a code waits to be entered.
  private static final Duration CODE_WAITS = Duration.ofMinutes(15);

  private static final int LETTERS = 6;

  /// No client says more; Ivesk's own default. STOP is never slowed down.
  private static final int MOST_A_MINUTE = 60;

  private static final Duration STOP_AGAIN = Duration.ofSeconds(1);

  private static final Duration PAUSE = Duration.ofSeconds(10);

  private final HandsetStore store;
  private final Treatments treatments;
  private final Clock clock;
  private final SlowDown byAddress = new SlowDown(20);

  Handsets(HandsetStore store, Treatments treatments, Clock clock) {
    this.store = store;
    this.treatments = treatments;
    this.clock = clock;
  }

  /// Shows a fresh code; the handset of before is out.
  ///
  /// @throws Refused where the practice uses none, or the treatment is closed
  @Transactional
  String show(UUID treatmentId) {
    Live live = treatments.live(treatmentId);
    if (!live.plan().handling().handset()) {
      throw new Refused("The practice uses no client's handset; its policies turn it on.");
    }
    if (live.state().phase().closed()) throw new Refused("This treatment is closed.");
    String code = Tokens.letters(LETTERS);
    store.show(treatmentId, Tokens.hash(Tokens.bare(code)), clock.instant());
    return code;
  }

  /// Takes a code, once.
  ///
  /// @param from where it comes from
  /// @return the token by which the handset is known from now on
  /// @throws SlowDown.Slowed after twenty wrong ones in a row
  /// @throws Refused when it is wrong, used or too old
  @Transactional
  String enter(String code, String from) {
    Instant now = clock.instant();
    byAddress
        .attempt(from, now)
        .ifPresent(pause -> {
          throw new SlowDown.Slowed(pause);
        });
    String token = Tokens.fresh();
    boolean taken =
        store.enter(Tokens.hash(Tokens.bare(code)), Tokens.hash(token), now.minus(CODE_WAITS), now);
    if (!taken) throw new Refused("This code is wrong, used or too old. Ask for a new one.");
    byAddress.succeeded(from);
    return token;
  }

  /// The treatment that a handset speaks for.
  ///
  /// @throws Refused when it speaks for none, or the treatment is closed
  Live live(Optional<String> token) {
    Live live =
        token
            .flatMap(one -> store.treatment(Tokens.hash(one)))
            .map(treatments::live)
            .orElseThrow(() -> new Refused("This page is not open. Ask for a code."));
    if (live.state().phase().closed()) {
      throw new Refused("The visit is over. Thank you.");
    }
    return live;
  }

  /// @param eventId made by the handset, so that sending twice counts once
  /// @throws Refused for anything but a number, a hot spot or STOP
  /// @throws SlowDown.Slowed after sixty within a minute, STOP excepted
  Live say(Optional<String> token, UUID eventId, Fact fact) {
    Live live = live(token);
    boolean its =
        switch (fact) {
          case SensationAnswered _, HotSpotFelt _ -> true;
          case SignSeen(var sign) -> sign == Sign.ASKS_TO_STOP;
          default -> false;
        };
    if (!its) throw new Refused("A handset says a number, a hot spot or stop. Nothing was kept.");
    Instant now = clock.instant();
    if (!(fact instanceof SignSeen) && saidLately(live, now) >= MOST_A_MINUTE) {
      throw new SlowDown.Slowed(PAUSE);
    }
    // One STOP a second is enough: it stands already.
    if (fact instanceof SignSeen && stoppedJustNow(live, now)) return live;
    return treatments.append(live.id(), eventId, now, fact, SOURCE);
  }

  private static boolean stoppedJustNow(Live live, Instant now) {
    return live.events().stream()
        .anyMatch(event ->
            event.who().equals(SOURCE)
                && event.fact() instanceof SignSeen
                && event.at().isAfter(now.minus(STOP_AGAIN)));
  }

  private static long saidLately(Live live, Instant now) {
    return live.events().stream()
        .filter(event -> event.who().equals(SOURCE))
        .filter(event -> event.at().isAfter(now.minus(Duration.ofMinutes(1))))
        .count();
  }
}
