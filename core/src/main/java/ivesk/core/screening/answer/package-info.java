/// What is known of a client on the day: answers, allergies, earlier peels, patch tests, consents.
package ivesk.core.screening.answer;
