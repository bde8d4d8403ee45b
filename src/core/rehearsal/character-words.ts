/** What stands beneath every picture that a client is given. */
export const CHARACTER_WORDS =
  "This picture shows the character of the work, not the piece itself: resin is poured by hand, and no two pours are the same.";
