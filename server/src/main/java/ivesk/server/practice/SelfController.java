package ivesk.server.practice;

import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.practice.AccountStore.Secrets;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// One's own sign-in: password, PIN, second factor, and where one is signed in. Each change asks
/// for the password once more.
@May(Right.SELF)
@RestController
@RequestMapping("/api/self")
class SelfController {
  private static final int RECOVERY_CODES = 10;

  private final AccountStore accounts;
  private final SignIns signIns;
  private final PracticeStore practice;
  private final Audit audit;
  private final Clock clock;

  /// Keys of second factors that were shown and not yet confirmed.
  private final Map<String, byte[]> offered = new ConcurrentHashMap<>();

  SelfController(
      AccountStore accounts, SignIns signIns, PracticeStore practice, Audit audit, Clock clock) {
    this.accounts = accounts;
    this.signIns = signIns;
    this.practice = practice;
    this.audit = audit;
    this.clock = clock;
  }

  record SignInView(
      UUID id, String browser, String address, Instant since, Instant seen, boolean here) {}

  /// @param recoveryCodesLeft of the second factor
  record SelfView(
      boolean hasPin, boolean hasFactor, int recoveryCodesLeft, List<SignInView> signIns) {}

  record NewPassword(String password, String fresh) {}

  record NewPin(String password, String pin) {}

  record Proof(String password) {}

  /// @param key base 32, to type by hand
  /// @param qr the address as a QR code, an SVG path on a square of `size` modules
  record Factor(String key, String qr, int size) {}

  record FactorCode(String code) {}

  record RecoveryCodes(List<String> codes) {}

  @GetMapping
  SelfView self(Authentication who) {
    Secrets secrets = accounts.secrets(who.getName()).orElseThrow();
    return new SelfView(
        secrets.pin().isPresent(),
        secrets.factorKey().isPresent(),
        accounts.recoveryCodesLeft(who.getName()),
        signIns.of(who.getName()).stream()
            .map(one ->
                new SignInView(
                    one.id(),
                    one.browser(),
                    one.address(),
                    one.since(),
                    one.seen(),
                    one.id().equals(who.getDetails())))
            .toList());
  }

  /// Every other sign-in ends; this one is made anew.
  @PutMapping("/password")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void password(
      @RequestBody NewPassword body,
      Authentication who,
      HttpServletRequest request,
      HttpServletResponse response) {
    From from = prove(who, body.password(), request, response);
    signIns.setPassword(who.getName(), body.fresh());
    SignInCookie.keep(request, response, signIns.anew(who.getName(), from));
  }

  @PutMapping("/pin")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void pin(
      @RequestBody NewPin body,
      Authentication who,
      HttpServletRequest request,
      HttpServletResponse response) {
    From from = prove(who, body.password(), request, response);
    signIns.setPin(who.getName(), body.pin());
    signIns.knows(who.getName(), from);
  }

  /// Shows a fresh key; it holds once a code of it was given.
  @PostMapping("/factor")
  Factor factor(
      @RequestBody Proof body,
      Authentication who,
      HttpServletRequest request,
      HttpServletResponse response) {
    prove(who, body.password(), request, response);
    byte[] key = Tokens.bytes(20);
    offered.put(who.getName(), key);
    String shown = Totp.base32(key);
    String name = practice.details().map(PracticeStore.Details::name).orElse("Ivesk");
    QrPath qr = QrPath.of(Totp.uri(name, who.getName(), shown));
    return new Factor(shown, qr.path(), qr.size());
  }

  @PutMapping("/factor")
  @Transactional
  RecoveryCodes confirm(@RequestBody FactorCode body, Authentication who) {
    byte[] key = offered.get(who.getName());
    OptionalLong step =
        key == null ? OptionalLong.empty() : Totp.step(key, body.code().strip(), clock.instant());
    if (step.isEmpty() || !offered.remove(who.getName(), key)) {
      throw new BadInput("code", "these are not the six digits of this moment for the key shown");
    }
    List<String> codes = Stream.generate(() -> Tokens.code(12)).limit(RECOVERY_CODES).toList();
    accounts.setFactor(
        who.getName(),
        Optional.of(Totp.base32(key)),
        codes.stream().map(code -> Tokens.hash(Tokens.bare(code))).toList());
    // The digits that confirmed it are used: they sign nobody in.
    accounts.useStep(who.getName(), step.getAsLong());
    audit.note(who.getName(), "set second factor", who.getName());
    return new RecoveryCodes(codes);
  }

  @PostMapping("/factor/removal")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Transactional
  void withoutFactor(
      @RequestBody Proof body,
      Authentication who,
      HttpServletRequest request,
      HttpServletResponse response) {
    prove(who, body.password(), request, response);
    accounts.setFactor(who.getName(), Optional.empty(), List.of());
    audit.note(who.getName(), "remove second factor", who.getName());
  }

  @DeleteMapping("/sign-ins/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void end(@PathVariable UUID id, Authentication who) {
    boolean own = signIns.of(who.getName()).stream().anyMatch(one -> one.id().equals(id));
    if (!own) throw new ivesk.server.app.Problems.NotFound("sign-in", id);
    signIns.end(id, who.getName(), "ended from the list");
  }

  private From prove(
      Authentication who,
      String password,
      HttpServletRequest request,
      HttpServletResponse response) {
    From from = SignInCookie.from(request, response);
    if (!signIns.knowsPassword(who.getName(), password)) {
      throw new BadInput("password", "this is not your password of now");
    }
    return from;
  }
}
