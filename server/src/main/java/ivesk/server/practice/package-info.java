/// Accounts and the practice's policies.
package ivesk.server.practice;
