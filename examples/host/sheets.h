/* The sheets of a delivery: which part of which picture is what a button looks like. */
#ifndef SHEETS_H
#define SHEETS_H
#include <SDL.h>

typedef struct sheet_picture {
  SDL_Texture *page;
  SDL_Rect from;         /* on the page */
  SDL_FRect box;         /* of the button, from the picture's corner, px of the page */
} sheet_picture;

typedef struct sheets sheets;

/* Reads sheets.json and its pages in that folder; null, with a word on stderr, where it cannot. */
sheets *sheets_open(SDL_Renderer *renderer, const char *folder);
void sheets_close(sheets *all);
/* What an item of a screen looks like in a state ("": it has none) in a language; null: nothing. */
const sheet_picture *sheets_find(const sheets *all, const char *screen, const char *item,
                                 const char *language, const char *state);

#endif
