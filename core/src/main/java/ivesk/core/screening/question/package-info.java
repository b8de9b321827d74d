/// What is asked, and which answers there are.
package ivesk.core.screening.question;
