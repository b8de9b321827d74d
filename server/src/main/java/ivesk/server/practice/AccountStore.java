package ivesk.server.practice;

import ivesk.core.practice.Policies.LicenceScope;
import ivesk.server.app.DatabaseReopened;
import ivesk.server.app.Remembered;
import ivesk.server.app.Right;
import ivesk.server.app.Role;
import ivesk.server.data.ArchiveCheck;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Who works here, and the hashes of what each knows.
@Component
public class AccountStore implements ArchiveCheck {
  private final JdbcClient jdbc;
  private final Remembered<List<Account>> accounts;

  AccountStore(JdbcClient jdbc) {
    this.jdbc = jdbc;
    this.accounts =
        new Remembered<>(() ->
            jdbc.sql("SELECT username, name, role, scope, locked FROM account ORDER BY name")
                .query(AccountStore::account)
                .list());
  }

  @Override
  public void practice() {
    accounts.changed();
    accounts.get();
  }

  @EventListener
  void forget(DatabaseReopened reopened) {
    accounts.forget();
  }

  /// @param scope what this person's licence covers, where it is less than the practice's
  /// @param locked signs in no more; what was done under the name stays
  public record Account(
      String username, String name, Role role, Optional<LicenceScope> scope, boolean locked) {

    public Account(String username, String name, Role role) {
      this(username, name, role, Optional.empty(), false);
    }
  }

  /// What signing in is checked against.
  ///
  /// @param password hash
  /// @param pin hash; empty until one is set
  /// @param factorKey key of the second factor, base 32; empty where there is none
  /// @param factorStep last 30 s step whose code was used: none counts twice
  /// @param code hash of a one-time code, while it holds
  record Secrets(
      String password,
      Optional<String> pin,
      Optional<String> factorKey,
      long factorStep,
      Optional<String> code,
      Optional<Instant> codeUntil) {

    /// None is set where only a one-time code was given.
    static boolean isSet(String hash) {
      return !hash.isEmpty();
    }
  }

  /// The name of who signs in so; the sign-in name itself where nobody does any more.
  public String named(String username) {
    return account(username).map(Account::name).orElse(username);
  }

  public Optional<Account> account(String username) {
    return accounts().stream().filter(one -> one.username().equals(username)).findFirst();
  }

  /// Whether somebody's role may do what belongs to a right.
  public boolean may(String username, Right right) {
    return account(username).filter(account -> right.allows(account.role())).isPresent();
  }

  /// By name, locked ones too.
  public List<Account> accounts() {
    return accounts.get();
  }

  private static Account account(ResultSet row, int n) throws SQLException {
    return new Account(
        row.getString("username"),
        row.getString("name"),
        Role.valueOf(row.getString("role")),
        Optional.ofNullable(row.getString("scope")).map(LicenceScope::valueOf),
        row.getBoolean("locked"));
  }

  /// @param passwordHash empty: nobody signs in by a password until one is set by a code
  public void add(Account account, String passwordHash) {
    jdbc.sql(
            "INSERT INTO account (username, name, password_hash, role, scope) VALUES (?, ?, ?, ?, ?)")
        .params(
            account.username(), account.name(), passwordHash, account.role().name(), scope(account))
        .update();
    accounts.changed();
  }

  void change(Account account) {
    jdbc.sql("UPDATE account SET name = ?, role = ?, scope = ?, locked = ? WHERE username = ?")
        .params(
            account.name(),
            account.role().name(),
            scope(account),
            account.locked(),
            account.username())
        .update();
    accounts.changed();
  }

  private static @Nullable String scope(Account account) {
    return account.scope().map(LicenceScope::name).orElse(null);
  }

  Optional<Secrets> secrets(String username) {
    return jdbc.sql("SELECT * FROM account WHERE username = ? AND NOT locked")
        .param(username)
        .query((row, n) ->
            new Secrets(
                row.getString("password_hash"),
                Optional.ofNullable(row.getString("pin_hash")),
                Optional.ofNullable(row.getString("factor_key")),
                row.getLong("factor_step"),
                Optional.ofNullable(row.getString("code_hash")),
                Optional.ofNullable(row.getObject("code_until", OffsetDateTime.class))
                    .map(OffsetDateTime::toInstant)))
        .optional();
  }

  void setPassword(String username, String hash) {
    jdbc.sql(
            "UPDATE account SET password_hash = ?, code_hash = NULL, code_until = NULL"
                + " WHERE username = ?")
        .params(hash, username)
        .update();
  }

  void setPin(String username, Optional<String> hash) {
    jdbc.sql("UPDATE account SET pin_hash = ? WHERE username = ?")
        .params(hash.orElse(null), username)
        .update();
  }

  void setCode(String username, String hash, Instant until) {
    jdbc.sql("UPDATE account SET code_hash = ?, code_until = ? WHERE username = ?")
        .params(hash, until.atOffset(ZoneOffset.UTC), username)
        .update();
  }

  /// Takes a one-time code, once.
  ///
  /// @return whether it was still there
  boolean useCode(String username, String hash) {
    return jdbc.sql(
                "UPDATE account SET code_hash = NULL, code_until = NULL"
                    + " WHERE username = ? AND code_hash = ?")
            .params(username, hash)
            .update()
        == 1;
  }

  /// Nobody comes in by a password until another is set.
  void unsetPassword(String username) {
    jdbc.sql("UPDATE account SET password_hash = '' WHERE username = ?").param(username).update();
  }

  /// @param recovery hashes of the codes that take its place once
  void setFactor(String username, Optional<String> key, List<String> recovery) {
    jdbc.sql("UPDATE account SET factor_key = ?, factor_step = 0 WHERE username = ?")
        .params(key.orElse(null), username)
        .update();
    jdbc.sql("DELETE FROM recovery_code WHERE username = ?").param(username).update();
    for (String hash : recovery) {
      jdbc.sql("INSERT INTO recovery_code (username, hash) VALUES (?, ?)")
          .params(username, hash)
          .update();
    }
  }

  /// Takes a step of the second factor as used.
  ///
  /// @return whether it was not used before
  boolean useStep(String username, long step) {
    return jdbc.sql("UPDATE account SET factor_step = ? WHERE username = ? AND factor_step < ?")
            .params(step, username, step)
            .update()
        == 1;
  }

  int recoveryCodesLeft(String username) {
    return jdbc.sql("SELECT COUNT(*) FROM recovery_code WHERE username = ?")
        .param(username)
        .query(Integer.class)
        .single();
  }

  /// @return whether there was such a code; it is gone now
  boolean useRecoveryCode(String username, String hash) {
    return jdbc.sql("DELETE FROM recovery_code WHERE username = ? AND hash = ?")
            .params(username, hash)
            .update()
        == 1;
  }
}
