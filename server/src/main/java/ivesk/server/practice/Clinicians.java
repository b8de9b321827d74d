package ivesk.server.practice;

import ivesk.server.app.BadInput;
import ivesk.server.app.Role;
import ivesk.server.practice.AccountStore.Account;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import org.springframework.stereotype.Component;

/// Clearances and firm limits are the supervising clinician's own: by the account that is signed
/// in, or by password or PIN at the spot.
@Component
public class Clinicians {
  private final AccountStore accounts;
  private final SignIns signIns;

  Clinicians(AccountStore accounts, SignIns signIns) {
    this.accounts = accounts;
    this.signIns = signIns;
  }

  /// The clinician at the spot, where another account is signed in. A wrong one counts as a try.
  ///
  /// @param word password, or PIN where one does on this device
  public record AtTheSpot(String username, String word) {}

  /// @param signedIn account of the session
  /// @throws BadInput when neither is a supervising clinician
  public Account require(
      String signedIn,
      Optional<AtTheSpot> atTheSpot,
      HttpServletRequest request,
      HttpServletResponse response) {
    Optional<Account> own = accounts.account(signedIn).filter(Clinicians::supervises);
    if (own.isPresent()) return own.get();
    From from = SignInCookie.from(request, response);
    return atTheSpot
        .flatMap(given ->
            accounts
                .account(given.username().strip())
                .filter(Clinicians::supervises)
                .filter(account -> signIns.isAtTheSpot(account.username(), given.word(), from)))
        .orElseThrow(() ->
            new BadInput(
                "clinician",
                "this needs the supervising clinician's own sign-in; name and password are not"
                    + " those of one. Nothing was changed"));
  }

  private static boolean supervises(Account account) {
    return account.role() == Role.SUPERVISOR;
  }
}
