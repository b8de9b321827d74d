package ivesk.server.practice;

import ivesk.server.app.BadInput;
import ivesk.server.practice.PracticeStore.Account;
import ivesk.server.practice.PracticeStore.Role;
import java.util.Optional;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/// Clearances and firm limits are the supervising clinician's own: by the account that is signed
/// in, or by a sign-in at the spot.
@Component
public class Clinicians {
  private final PracticeStore practice;
  private final PasswordEncoder passwords;

  Clinicians(PracticeStore practice, PasswordEncoder passwords) {
    this.practice = practice;
    this.passwords = passwords;
  }

  /// @param username of the clinician at the spot, where another account is signed in
  public record SignIn(String username, String password) {}

  /// @param signedIn account of the session
  /// @throws BadInput when neither is a supervising clinician
  public Account require(String signedIn, Optional<SignIn> atTheSpot) {
    Optional<Account> own = practice.account(signedIn).filter(Clinicians::supervises);
    if (own.isPresent()) return own.get();
    return atTheSpot
        .flatMap(
            given -> practice.account(given.username().strip()).filter(account -> right(given)))
        .filter(Clinicians::supervises)
        .orElseThrow(() ->
            new BadInput(
                "clinician",
                "this needs the supervising clinician's own sign-in; name and password are not"
                    + " those of one. Nothing was changed"));
  }

  private boolean right(SignIn given) {
    UserDetails account = practice.loadUserByUsername(given.username().strip());
    return passwords.matches(given.password(), account.getPassword());
  }

  private static boolean supervises(Account account) {
    return account.role() == Role.SUPERVISOR;
  }
}
