package ivesk.server.practice;

import ivesk.server.app.Audit;
import ivesk.server.app.DatabaseReopened;
import ivesk.server.practice.AccountStore.Account;
import ivesk.server.practice.AccountStore.Secrets;
import ivesk.server.practice.SignInStore.SignIn;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.event.EventListener;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/// Signing in and staying so. A sign-in is a row with a token that only its browser knows: it
/// outlives a restart, is listed, and ends at once wherever it is ended.
@Service
public class SignIns {
  /// Without anything asked for so long, it ends.
  static final Duration IDLE = Duration.ofHours(2);

  /// So long after the whole password was given on a device, the PIN does there.
  static final Duration PIN_HOLDS = Duration.ofDays(14);

  private static final int MOST_WRONG_PINS = 5;
  private static final Duration CODE_HOLDS = Duration.ofHours(24);

  private final AccountStore accounts;
  private final SignInStore store;
  private final PasswordEncoder passwords;
  private final PasswordRules rules;
  private final ObjectProvider<AcidOn> acidOn;
  private final Audit audit;
  private final Clock clock;
  private final SlowDown byAccount = new SlowDown(5);
  private final SlowDown byAddress = new SlowDown(30);
  private final SlowDown byPin = new SlowDown(3);

  /// Those held now; one that is not here is looked for once more in the store.
  private final Map<UUID, SignIn> held = new ConcurrentHashMap<>();

  /// What a wrong name is checked against, so that it takes as long as a wrong password.
  private final String nobodysPassword;

  SignIns(
      AccountStore accounts,
      SignInStore store,
      PasswordEncoder passwords,
      PasswordRules rules,
      ObjectProvider<AcidOn> acidOn,
      Audit audit,
      Clock clock) {
    this.accounts = accounts;
    this.store = store;
    this.passwords = passwords;
    this.rules = rules;
    this.acidOn = acidOn;
    this.audit = audit;
    this.clock = clock;
    this.nobodysPassword = passwords.encode(Tokens.fresh());
  }

  /// A sign-in as its browser holds it: id and token.
  String password(String username, String password, Optional<String> code, From from) {
    proven(username, password, code, from);
    store.prove(from.deviceHash(), username, clock.instant());
    return begin(username, from);
  }

  /// Checks a password, and the second factor where there is one.
  ///
  /// @throws NotIn otherwise
  void proven(String username, String password, Optional<String> code, From from) {
    Instant now = clock.instant();
    slowDown(username, from, now);
    Optional<Secrets> secrets = accounts.secrets(username);
    boolean right =
        passwords.matches(
            password,
            secrets.map(Secrets::password).filter(Secrets::isSet).orElse(nobodysPassword));
    if (secrets.isEmpty() || !right) {
      audit.note(known(username), "sign-in refused", username, "password, from " + from.address());
      throw NotIn.wrong();
    }
    if (secrets.get().factorKey().isPresent()) {
      if (code.isEmpty()) {
        // Half of it was right: wrong digits before it still slow the next ones down.
        byAccount.withdraw(username);
        byAddress.withdraw(from.address());
        throw new NotIn("Now the six digits of the second factor.", true, Optional.empty());
      }
      if (!factor(username, secrets.get(), code.get())) {
        audit.note(username, "sign-in refused", username, "second factor, from " + from.address());
        throw new NotIn(
            "These digits are not the ones of this moment, or were used before.",
            true,
            Optional.empty());
      }
    }
    forgive(username, from);
    if (passwords.upgradeEncoding(secrets.get().password())) {
      accounts.setPassword(username, passwords.encode(password));
    }
  }

  /// A try that waits for its account is none of its address: others there are not kept out by it.
  private void slowDown(String username, From from, Instant now) {
    byAccount
        .attempt(username, now)
        .or(() -> byAddress.attempt(from.address(), now))
        .ifPresent(pause -> {
          throw NotIn.tooMany(pause);
        });
  }

  private void forgive(String username, From from) {
    byAccount.succeeded(username);
    byAddress.succeeded(from.address());
  }

  /// A name that is no account's may be anything, a password even; it is not written down.
  private String known(String username) {
    return accounts.account(username).isPresent() ? username : "nobody";
  }

  private boolean factor(String username, Secrets secrets, String code) {
    OptionalLong step =
        Totp.step(Totp.bytes(secrets.factorKey().orElseThrow()), code.strip(), clock.instant());
    if (step.isPresent()) return accounts.useStep(username, step.getAsLong());
    return accounts.useRecoveryCode(username, Tokens.hash(Tokens.bare(code)));
  }

  /// Signs somebody else in, or the same again, on a device where the whole password was given.
  String pin(String username, String pin, From from) {
    if (!pinRight(username, pin, from)) {
      throw new NotIn("This PIN is not the one of that name.", false, Optional.empty());
    }
    return begin(username, from);
  }

  /// @throws NotIn where no PIN does
  boolean pinRight(String username, String pin, From from) {
    String key = from.deviceHash() + " " + username;
    Instant now = clock.instant();
    Optional<Instant> proven = store.proven(from.deviceHash(), username);
    Optional<String> hash = accounts.secrets(username).flatMap(Secrets::pin);
    if (hash.isEmpty() || proven.isEmpty() || proven.get().isBefore(now.minus(PIN_HOLDS))) {
      throw new NotIn(
          "The PIN does only where the password was given in the last 14 days. Give name and"
              + " password.",
          false,
          Optional.empty());
    }
    byPin
        .attempt(key, now)
        .ifPresent(pause -> {
          throw NotIn.tooMany(pause);
        });
    if (passwords.matches(pin, hash.get())) {
      byPin.succeeded(key);
      return true;
    }
    audit.note(username, "sign-in refused", username, "PIN, from " + from.address());
    if (byPin.failed(key) >= MOST_WRONG_PINS) {
      store.forget(from.deviceHash(), username);
      byPin.succeeded(key);
    }
    return false;
  }

  /// Who may come in by a PIN on a device.
  List<Account> byPin(From from) {
    return store.knownOn(from.deviceHash(), clock.instant().minus(PIN_HOLDS)).stream()
        .filter(username -> accounts.secrets(username).flatMap(Secrets::pin).isPresent())
        .flatMap(username -> accounts.account(username).stream())
        .toList();
  }

  /// By a one-time code, with a password of one's own from now on.
  @Transactional
  public String code(String username, String code, String password, From from) {
    Instant now = clock.instant();
    slowDown(username, from, now);
    Optional<Secrets> secrets = accounts.secrets(username);
    boolean holds = secrets.flatMap(Secrets::codeUntil).filter(now::isBefore).isPresent();
    String hash = secrets.flatMap(Secrets::code).orElse("");
    if (!holds || !Tokens.same(hash, Tokens.hash(Tokens.bare(code)))) {
      audit.note(known(username), "sign-in refused", username, "code, from " + from.address());
      throw new NotIn(
          "This code is not the one of that name, was used, or is over 24 h old.",
          false,
          Optional.empty());
    }
    // A right code is not wrong because the new password will not do.
    forgive(username, from);
    if (!accounts.useCode(username, hash)) {
      throw new NotIn("This code was used on another screen just now.", false, Optional.empty());
    }
    setPassword(username, password);
    store.prove(from.deviceHash(), username, now);
    return begin(username, from);
  }

  /// Checks and sets a password; every other sign-in of the account ends.
  void setPassword(String username, String password) {
    Account account = accounts.account(username).orElseThrow();
    rules.check("password", password, List.of(username, account.name()));
    accounts.setPassword(username, passwords.encode(password));
    endAll(username, Optional.empty());
    store.forgetAll(username);
    audit.note(username, "set password", username);
  }

  void setPin(String username, String pin) {
    rules.checkPin(pin);
    accounts.setPin(username, Optional.of(passwords.encode(pin)));
    audit.note(username, "set PIN", username);
  }

  /// A one-time code for somebody who has none or has lost the password; what was signed in ends.
  String reset(String username, String by) {
    String code = Tokens.code(12);
    // The password of before does no more: whoever has it is why it is reset.
    accounts.unsetPassword(username);
    endAll(username, Optional.empty());
    store.forgetAll(username);
    accounts.setCode(username, Tokens.hash(Tokens.bare(code)), clock.instant().plus(CODE_HOLDS));
    audit.note(by, "one-time code", username);
    return code;
  }

  /// After a change of one's own password: signed in here again, and nowhere else.
  String anew(String username, From from) {
    store.prove(from.deviceHash(), username, clock.instant());
    return begin(username, from);
  }

  /// The whole password was given on this device just now.
  void knows(String username, From from) {
    store.prove(from.deviceHash(), username, clock.instant());
  }

  /// Somebody beside who is signed in, by password or by PIN. Wrong ones are counted as tries.
  boolean isAtTheSpot(String username, String word, From from) {
    boolean hasPin = accounts.secrets(username).flatMap(Secrets::pin).isPresent();
    boolean pinDoes =
        hasPin
            && store
                .proven(from.deviceHash(), username)
                .filter(proven -> proven.isAfter(clock.instant().minus(PIN_HOLDS)))
                .isPresent();
    if (word.length() < PasswordRules.LEAST
        && pinDoes
        && word.chars().allMatch(Character::isDigit)) {
      return pinRight(username, word, from);
    }
    return knowsPassword(username, word);
  }

  /// Once more by somebody who is signed in; counted as a try.
  boolean knowsPassword(String username, String password) {
    byAccount
        .attempt(username, clock.instant())
        .ifPresent(pause -> {
          throw NotIn.tooMany(pause);
        });
    boolean right =
        accounts
            .secrets(username)
            .map(Secrets::password)
            .filter(Secrets::isSet)
            .filter(hash -> passwords.matches(password, hash))
            .isPresent();
    if (right) byAccount.succeeded(username);
    return right;
  }

  private String begin(String username, From from) {
    Instant now = minute();
    String token = Tokens.fresh();
    SignIn one =
        new SignIn(
            UUID.randomUUID(),
            username,
            Tokens.hash(token),
            from.deviceHash(),
            cut(from.browser()),
            from.address(),
            now,
            now);
    store.add(one);
    held.put(one.id(), one);
    audit.note(username, "sign in", username, "from " + from.address());
    return one.id() + "." + token;
  }

  private static String cut(String browser) {
    return browser.length() > 200 ? browser.substring(0, 200) : browser;
  }

  /// Who this is, while it holds. Its time is kept to the minute: a write a minute, not one a
  /// request.
  Optional<SignIn> holds(String cookie) {
    int dot = cookie.indexOf('.');
    if (dot != 36) return Optional.empty();
    UUID id;
    try {
      id = UUID.fromString(cookie.substring(0, dot));
    } catch (IllegalArgumentException noId) {
      return Optional.empty();
    }
    SignIn one = held.get(id);
    if (one == null) {
      one = store.held(id).orElse(null);
      if (one == null) return Optional.empty();
      held.put(id, one);
    }
    if (!Tokens.same(one.tokenHash(), Tokens.hash(cookie.substring(dot + 1)))) {
      return Optional.empty();
    }
    Instant now = minute();
    boolean over =
        now.isAfter(one.seen().plus(IDLE)) || now.isAfter(one.since().plus(SignInCookie.ABSOLUTE));
    if (over && !hasAcidOn(one.username())) {
      end(id, one.username(), "over time");
      return Optional.empty();
    }
    if (now.isAfter(one.seen())) {
      store.seen(id, now);
      one =
          new SignIn(
              id,
              one.username(),
              one.tokenHash(),
              one.device(),
              one.browser(),
              one.address(),
              one.since(),
              now);
      held.replace(id, one);
    }
    return Optional.of(one);
  }

  @EventListener
  public void forget(DatabaseReopened reopened) {
    held.clear();
  }

  private boolean hasAcidOn(String username) {
    return acidOn.stream().anyMatch(room -> room.by(username));
  }

  List<SignIn> of(String username) {
    return store.of(username);
  }

  void end(UUID id, String by, String why) {
    held.remove(id);
    store.end(id, clock.instant());
    audit.note(by, "sign out", id, why);
  }

  void endAll(String username, Optional<UUID> but) {
    for (SignIn one : store.of(username)) {
      if (but.filter(one.id()::equals).isEmpty()) end(one.id(), username, "ended with the others");
    }
  }

  /// Whether somebody was signed in on this device when they said something.
  public boolean wasHere(
      String username, Instant at, HttpServletRequest request, HttpServletResponse response) {
    return store.wasHere(SignInCookie.from(request, response).deviceHash(), username, at);
  }

  private Instant minute() {
    return clock.instant().truncatedTo(ChronoUnit.MINUTES);
  }
}
