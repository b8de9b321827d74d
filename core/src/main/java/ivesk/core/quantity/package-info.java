/// Numbers that know their unit. Each is a record that refuses nonsense; a name with the unit in it
/// stands only where a number leaves core.
package ivesk.core.quantity;
