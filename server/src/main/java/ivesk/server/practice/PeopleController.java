package ivesk.server.practice;

import ivesk.core.practice.Policies.LicenceScope;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.May;
import ivesk.server.app.Problems.Refused;
import ivesk.server.app.Right;
import ivesk.server.app.Role;
import ivesk.server.practice.AccountStore.Account;
import java.security.Principal;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// Who works here, and what each role may.
@RestController
@RequestMapping("/api/people")
class PeopleController {
  private static final Pattern USERNAME = Pattern.compile("[a-z0-9][a-z0-9._-]{1,39}");

  private final AccountStore accounts;
  private final SignIns signIns;
  private final Audit audit;

  PeopleController(AccountStore accounts, SignIns signIns, Audit audit) {
    this.accounts = accounts;
    this.signIns = signIns;
    this.audit = audit;
  }

  /// @param hasPassword whether this person has set one; else a one-time code is waited for
  record PersonView(
      String username,
      String name,
      Role role,
      Optional<LicenceScope> scope,
      boolean locked,
      boolean hasPassword,
      boolean hasFactor,
      boolean hasPin,
      int signedIn) {}

  record RoleView(Role id, String label, List<String> rights) {}

  record PeopleView(List<PersonView> people, List<RoleView> roles) {}

  /// @param username 2 to 40 small letters, digits, dots and dashes
  record NewPerson(String username, String name, Role role, Optional<LicenceScope> scope) {}

  record Person(String name, Role role, Optional<LicenceScope> scope, boolean locked) {}

  /// @param code shown this once; 24 h long it sets a password
  record OneTimeCode(String username, String code) {}

  @May(Right.PEOPLE)
  @GetMapping
  PeopleView people() {
    return new PeopleView(
        accounts.accounts().stream().map(this::view).toList(),
        Arrays.stream(Role.values())
            .map(role ->
                new RoleView(
                    role,
                    role.label(),
                    Arrays.stream(Right.values())
                        .filter(right -> right.allows(role))
                        .map(Right::label)
                        .toList()))
            .toList());
  }

  private PersonView view(Account account) {
    Optional<AccountStore.Secrets> secrets = accounts.secrets(account.username());
    return new PersonView(
        account.username(),
        account.name(),
        account.role(),
        account.scope(),
        account.locked(),
        secrets.map(AccountStore.Secrets::password).filter(AccountStore.Secrets::isSet).isPresent(),
        secrets.flatMap(AccountStore.Secrets::factorKey).isPresent(),
        secrets.flatMap(AccountStore.Secrets::pin).isPresent(),
        signIns.of(account.username()).size());
  }

  /// Adds somebody, who sets a password of their own by the code.
  @May(Right.PEOPLE)
  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  @Transactional
  OneTimeCode add(@RequestBody NewPerson body, Principal who) {
    requireUsername(body.username());
    requireName(body.name());
    if (accounts.account(body.username()).isPresent()) {
      throw new BadInput("username", "there is somebody with this sign-in name; choose another");
    }
    accounts.add(
        new Account(body.username(), body.name().strip(), body.role(), body.scope(), false), "");
    audit.note(who.getName(), "add account", body.username(), body.role().name());
    return new OneTimeCode(body.username(), signIns.reset(body.username(), who.getName()));
  }

  /// Changes or locks somebody; who is locked is signed out everywhere at once.
  @May(Right.PEOPLE)
  @PutMapping("/{username}")
  @Transactional
  PeopleView change(@PathVariable String username, @RequestBody Person body, Principal who) {
    Account before = require(username);
    requireName(body.name());
    boolean ownerLost = before.role() == Role.OWNER && (body.locked() || body.role() != Role.OWNER);
    boolean another =
        accounts.accounts().stream()
            .anyMatch(a -> a.role() == Role.OWNER && !a.locked() && !a.username().equals(username));
    if (ownerLost && !another) {
      throw new Refused("This is the only owner; make another one first. Nothing was changed.");
    }
    accounts.change(
        new Account(username, body.name().strip(), body.role(), body.scope(), body.locked()));
    if (body.locked() || body.role() != before.role()) signIns.endAll(username, Optional.empty());
    audit.note(
        who.getName(),
        body.locked() ? "lock account" : "change account",
        username,
        body.role().name());
    return people();
  }

  /// A one-time code for who has lost the password; sign-ins, PIN and second factor end with it.
  @May(Right.PEOPLE)
  @PostMapping("/{username}/reset")
  @Transactional
  OneTimeCode reset(@PathVariable String username, Principal who) {
    Account account = require(username);
    if (account.locked()) throw new Refused("This account is locked. Nothing was changed.");
    accounts.setPin(username, Optional.empty());
    accounts.setFactor(username, Optional.empty(), List.of());
    signIns.endAll(username, Optional.empty());
    return new OneTimeCode(username, signIns.reset(username, who.getName()));
  }

  private Account require(String username) {
    return accounts
        .account(username)
        .orElseThrow(() -> new BadInput("username", "there is nobody with this sign-in name"));
  }

  static void requireName(String name) {
    if (name.isBlank() || name.length() > 80) {
      throw new BadInput("name", "the name is empty or over 80 letters");
    }
  }

  static void requireUsername(String username) {
    if (!USERNAME.matcher(username).matches()) {
      throw new BadInput(
          "username",
          "the sign-in name takes 2 to 40 small letters, digits, dots and dashes, and begins with a"
              + " letter or digit");
    }
  }
}
