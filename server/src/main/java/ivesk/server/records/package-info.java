/// What becomes of a record after it is signed: addenda, and what leaves the practice.
package ivesk.server.records;
