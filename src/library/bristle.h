/*
 * Bristle's runtime for a game's own code: runs a menu that Bristle has delivered.
 *
 *   bristle_menu *menu;
 *   bristle_run *run;
 *   char why[200];
 *   if (bristle_open(bytes, size, &menu, why, sizeof why)) fail(why);
 *   if (bristle_start(menu, NULL, NULL, NULL, &run, why, sizeof why)) fail(why);
 *   for (each frame) {
 *     bristle_press_sign(run, now, BRISTLE_KEY, "Enter", 0, 0);  // what the devices did
 *     bristle_step(run, now);
 *     for (size_t i = 0; i < bristle_happened_count(run); ++i) ...  // what came of it
 *     bristle_happened_clear(run);
 *     for (size_t s = 0; s < bristle_screen_count(run); ++s) ...    // what is to be seen
 *   }
 *
 * It reads no clock, opens no file, starts no thread, has no global state and asks no locale: the
 * same calls always lead to the same. Each menu and each run may be used by one thread at a time;
 * different ones by different threads at once. Memory is taken when a menu is opened or a run is
 * started and when lists grow; where there is none the program ends, as with operator new without
 * exceptions. Nothing is thrown.
 *
 * Texts are UTF-8 and end in a zero. What is handed out belongs to the library: texts of a menu
 * hold until it is closed, what is asked of a run until the next call with it that feeds, steps,
 * clears or stops it. Lengths are in layout px (device px over the display's scale), from the upper
 * left corner of the display, y downwards; times in ms since the run was started.
 *
 * A call that fails leaves all as it was, and says so by a code other than BRISTLE_OK. Null where
 * something is needed is BRISTLE_MISUSED. Structs may grow at their end: set `size` of those that
 * have it to sizeof before the call.
 */
#ifndef BRISTLE_H
#define BRISTLE_H

#include <stddef.h>
#include <stdint.h>

#if defined(__GNUC__)
#define BRISTLE_API __attribute__((visibility("default")))
#else
#define BRISTLE_API
#endif

#ifdef __cplusplus
extern "C" {
#endif

/* Raised when something that was there changes; what is new alone does not raise it. */
#define BRISTLE_ABI 1

typedef struct bristle_menu bristle_menu; /* a delivered menu, read */
typedef struct bristle_run bristle_run;   /* one that runs, on one display and in one language */

typedef enum bristle_code {
  BRISTLE_OK = 0,
  BRISTLE_MISUSED = 1,      /* a null where something is needed */
  BRISTLE_UNREADABLE = 2,   /* no delivered menu, or a broken one */
  BRISTLE_TOO_NEW = 3,      /* a newer Bristle wrote it, for a newer library */
  BRISTLE_NOT_THERE = 4,    /* no such display, language, screen, item, part, value */
  BRISTLE_OUT_OF_RANGE = 5, /* beyond the end of a list */
  BRISTLE_OTHER_SORT = 6    /* the property has another sort of value */
} bristle_code;

/* What the library in use was built as; compare with BRISTLE_ABI. */
BRISTLE_API int bristle_abi(void);
/* A code in a few words. */
BRISTLE_API const char *bristle_code_text(bristle_code code);

/* -- a menu ------------------------------------------------------------------------------------ */

/*
 * Reads what `bristle deliver --menu` wrote, of `size` bytes; they may be freed afterwards. Why it
 * failed is written to `why`, cut to `why_size` bytes with the zero; `why` may be null.
 */
BRISTLE_API bristle_code bristle_open(const void *bytes, size_t size, bristle_menu **menu,
                                      char *why, size_t why_size);
/* After all its runs were stopped. Null does nothing. */
BRISTLE_API void bristle_close(bristle_menu *menu);

/* The name of the project. */
BRISTLE_API const char *bristle_menu_name(const bristle_menu *menu);

typedef struct bristle_display {
  const char *id, *name;
  double width, height; /* device px */
  double scale;         /* device px to a layout px */
  double safe_left, safe_top, safe_right, safe_bottom; /* device px from its edges */
} bristle_display;
BRISTLE_API size_t bristle_display_count(const bristle_menu *menu);
BRISTLE_API bristle_code bristle_display_at(const bristle_menu *menu, size_t index,
                                            bristle_display *display);

typedef struct bristle_language {
  const char *id, *name;
  int right_to_left;
} bristle_language;
BRISTLE_API size_t bristle_language_count(const bristle_menu *menu);
BRISTLE_API bristle_code bristle_language_at(const bristle_menu *menu, size_t index,
                                             bristle_language *language);

typedef struct bristle_value {
  const char *id, *name;
  double start;
  double least, most; /* of a flag 0 and 1, of a choice its first and last option */
} bristle_value;
BRISTLE_API size_t bristle_value_count(const bristle_menu *menu);
BRISTLE_API bristle_code bristle_value_at(const bristle_menu *menu, size_t index,
                                          bristle_value *value);

/* -- a run ------------------------------------------------------------------------------------- */

/*
 * Opens the menu on a display, in a language, on a screen, by their ids; null or "" is the first of
 * each. `why` as with bristle_open.
 */
BRISTLE_API bristle_code bristle_start(const bristle_menu *menu, const char *display,
                                       const char *language, const char *screen,
                                       bristle_run **run, char *why, size_t why_size);
/* Null does nothing. */
BRISTLE_API void bristle_stop(bristle_run *run);
/* From now on what moves takes no time, and what moves without end stands still. */
BRISTLE_API bristle_code bristle_reduce_motion(bristle_run *run, int reduced);

/* Time goes on to `at`; timers fire at their own times. An earlier time counts as now. */
BRISTLE_API bristle_code bristle_step(bristle_run *run, int64_t at);
/* The time that it has come to. */
BRISTLE_API int64_t bristle_now(const bristle_run *run);
/* Whether any look or screen is on its way, so that another frame will look otherwise. */
BRISTLE_API int bristle_moving(const bristle_run *run);
/* Whether it was quit; nothing happens any more. */
BRISTLE_API int bristle_ended(const bristle_run *run);

typedef enum bristle_device {
  BRISTLE_MOUSE = 0,
  BRISTLE_TOUCH = 1,
  BRISTLE_KEYBOARD = 2,
  BRISTLE_CONTROLLER = 3
} bristle_device;

typedef enum bristle_direction {
  BRISTLE_UP = 0,
  BRISTLE_DOWN = 1,
  BRISTLE_LEFT = 2,
  BRISTLE_RIGHT = 3
} bristle_direction;

typedef enum bristle_input {
  BRISTLE_TICK = 0,       /* nothing but time */
  BRISTLE_POINT = 1,      /* the pointer is at x, y */
  BRISTLE_POINT_DOWN = 2, /* it goes down there */
  BRISTLE_POINT_UP = 3,
  BRISTLE_SCROLL = 4,   /* what lies at x, y is moved on by `number` px towards `direction` */
  BRISTLE_MOVE = 5,     /* `direction` goes down or up */
  BRISTLE_ACCEPT = 6,   /* goes down or up */
  BRISTLE_CANCEL = 7,   /* goes down or up */
  BRISTLE_STEP = 8,     /* to the next in reading order (down), or to the one before */
  BRISTLE_GONE = 9,     /* the device was taken away */
  BRISTLE_ENABLE = 10,  /* the button `name` becomes enabled (down) or disabled */
  BRISTLE_MESSAGE = 11, /* the message `name` is told to all */
  BRISTLE_SET = 12,     /* the value `name` becomes `number` */
  BRISTLE_SHOULDER = 13, /* the tab at the left or right (`direction`); goes down or up */
  BRISTLE_SHORTCUT = 14  /* the shortcut `name` goes down or up */
} bristle_input;

typedef struct bristle_event {
  size_t size; /* sizeof(bristle_event) */
  int64_t at;  /* ms */
  int input;   /* bristle_input */
  int device;  /* bristle_device */
  double x, y;
  int direction; /* bristle_direction */
  int down;
  int unit; /* of several devices of a sort: which; of touch: the finger */
  int key;  /* of keys that mean the same: which; what began by one is ended only by it */
  const char *name; /* an id; may be null */
  double number;
} bristle_event;
/* Time goes on to the event's, then it is worked off whole. */
BRISTLE_API bristle_code bristle_feed(bristle_run *run, const bristle_event *event);

typedef enum bristle_sign_of { BRISTLE_KEY = 0, BRISTLE_BUTTON = 1 } bristle_sign_of;
enum { BRISTLE_CTRL = 1, BRISTLE_ALT = 2, BRISTLE_SHIFT = 4 };
/*
 * A key of the keyboard, or a button of a controller, goes down or up; what it does is up to the
 * menu's bindings. Keys have the names of W3C UI Events KeyboardEvent code Values, letters and
 * digits alone; buttons are "lower button", "right button", "left shoulder" and so on. Arrows, the
 * D-pad and Tab are no signs: feed BRISTLE_MOVE and BRISTLE_STEP. BRISTLE_NOT_THERE: there is no
 * such sign; nothing bound is BRISTLE_OK.
 */
BRISTLE_API bristle_code bristle_press_sign(bristle_run *run, int64_t at, bristle_sign_of of,
                                            const char *name, int modifiers, int unit);
BRISTLE_API bristle_code bristle_release_sign(bristle_run *run, int64_t at, bristle_sign_of of,
                                              const char *name, int unit);
/*
 * Where a stick stands, from -1 to 1, y downwards: moves where it goes into one of four sectors,
 * and holds the direction until it comes back.
 */
BRISTLE_API bristle_code bristle_stick(bristle_run *run, int64_t at, int unit, double x, double y);

/* -- what happened ----------------------------------------------------------------------------- */

typedef enum bristle_happening_type {
  BRISTLE_FOCUS = 0,    /* went to `item` ("": nowhere) from `from`; `how` says why */
  BRISTLE_STATE = 1,    /* `item` went from state `from` to `to` */
  BRISTLE_ACTIVATE = 2, /* `item` was activated */
  BRISTLE_OPEN = 3,     /* `screen` opened */
  BRISTLE_ON_TOP = 4,   /* `screen` was put on top */
  BRISTLE_BACK = 5,     /* back to `screen` */
  BRISTLE_BUMP = 6,     /* a direction led nowhere */
  BRISTLE_MESSAGE_SENT = 7, /* `how` */
  BRISTLE_VALUE_SET = 8,    /* `value` is `number` */
  BRISTLE_SOUND = 9,        /* `how` is to be heard, at the volume `number` (0-1) */
  BRISTLE_DEVICE_USED = 10,
  BRISTLE_SCROLLED = 11,
  BRISTLE_FLEW_OUT = 12,
  BRISTLE_STOP_ENTERED = 13,
  BRISTLE_SHORTCUT_USED = 14,
  BRISTLE_QUIT = 15,
  BRISTLE_RUNAWAY = 16, /* a chain without end was cut */
  BRISTLE_SHOWN = 17,   /* `item` is there now (`number` 1) or not (0) */
  BRISTLE_BROKEN = 18,  /* an action of `item` refers to what is not there */
  BRISTLE_LINK = 19,    /* `how` is an address to be opened */
  BRISTLE_MUSIC = 20,   /* `how` is heard from now on, at the volume `number`; "": none */
  BRISTLE_UNLOCKED = 21,
  BRISTLE_IDLE = 22,
  BRISTLE_SPEAKS = 23 /* `how` is the language's id from now on */
} bristle_happening_type;

typedef struct bristle_happening {
  size_t size; /* sizeof(bristle_happening) */
  int64_t at;
  int type;               /* bristle_happening_type; there may be more than these one day */
  const char *item;       /* ids; "" where there is none */
  const char *from, *to;
  const char *screen, *value;
  const char *how;
  double number;
  const char *line; /* all of it in words, as the trace of a take has it */
} bristle_happening;
/* In the order in which it happened, since the start or the last clear. */
BRISTLE_API size_t bristle_happened_count(const bristle_run *run);
BRISTLE_API bristle_code bristle_happened_at(bristle_run *run, size_t index,
                                             bristle_happening *happening);
/* Forgets it: a run that goes on for long keeps all of it otherwise. */
BRISTLE_API bristle_code bristle_happened_clear(bristle_run *run);

/* -- what is to be seen ------------------------------------------------------------------------ */

/* Where something lies: x' = a x + c y + e, y' = b x + d y + f, as in SVG. */
typedef struct bristle_matrix {
  double a, b, c, d, e, f;
} bristle_matrix;

typedef struct bristle_colour {
  uint8_t r, g, b, a; /* sRGB, alpha not premultiplied */
} bristle_colour;
typedef struct bristle_colour_stop {
  double at; /* 0-1 along the gradient */
  bristle_colour colour;
} bristle_colour_stop;
typedef struct bristle_fill {
  int type;        /* 0 none, 1 one colour, 2 linear, 3 radial */
  double angle;    /* linear: degrees, 0 from left to right, 90 from top to bottom */
  double x, y, radius; /* radial: centre and half axes, as fractions of the box */
  size_t stop_count;
  const bristle_colour_stop *stops;
} bristle_fill;

typedef struct bristle_screen {
  size_t size; /* sizeof(bristle_screen) */
  const char *id, *name;
  int number;            /* of this opening of it */
  int on_top;            /* it gets the input */
  double presence;       /* 0-1: how far it has come, or is not yet gone */
  double opacity;        /* of all of it together, 0-1 */
  bristle_matrix motion; /* of all of it, while it comes or goes */
  double dim_below;      /* 0-1: black over what lies below it, as far as it is there */
  double blur_below;     /* px: what lies below it is blurred */
  size_t item_count;
} bristle_screen;
/* From the lowest to the one on top, with those that are still on their way out. */
BRISTLE_API size_t bristle_screen_count(bristle_run *run);
BRISTLE_API bristle_code bristle_screen_at(bristle_run *run, size_t screen, bristle_screen *out);
/* What it is filled with, over all of the display; its stops hold until the next fill is asked. */
BRISTLE_API bristle_code bristle_screen_backdrop(bristle_run *run, size_t screen,
                                                 bristle_fill *out);

typedef enum bristle_item_sort {
  BRISTLE_ITEM_BUTTON = 0,
  BRISTLE_ITEM_CONTAINER = 1, /* holds others; nothing of it is seen */
  BRISTLE_ITEM_PANEL = 2,
  BRISTLE_ITEM_PICTURE = 3,
  BRISTLE_ITEM_STILL = 4 /* looks like a button, and is none: a heading, a badge */
} bristle_item_sort;

typedef struct bristle_item {
  size_t size; /* sizeof(bristle_item) */
  const char *id, *name;
  int sort;               /* bristle_item_sort */
  int seen;               /* shown, and not in a closed fly-out */
  double x, y, w, h;      /* its box */
  double hit_x, hit_y, hit_w, hit_h; /* of a button: the part that can be pressed */
  double scale;           /* how much larger its look is drawn than it is written */
  int clipped;            /* only what lies in the box `clip_` is seen */
  double clip_x, clip_y, clip_w, clip_h;
  const char *kind;       /* ids; "" where it has none */
  const char *state;      /* the state that its machine is in; of what stands still the first */
  size_t state_index;     /* ... by its place in the machine */
  const char *text;       /* the caption in the run's language */
  const char *description;
  int enabled, focused, current, over, down;
  double presence;        /* of its own, 0-1: items may follow one another */
  size_t part_count;
  const char *file;       /* of a picture */
} bristle_item;
/* Items in the order in which they are painted, the last on top. */
BRISTLE_API bristle_code bristle_item_at(bristle_run *run, size_t screen, size_t item,
                                         bristle_item *out);

typedef enum bristle_part_type {
  BRISTLE_PART_WHOLE = 0, /* the last part of every button: what moves all of it */
  BRISTLE_PART_SHAPE = 1,
  BRISTLE_PART_LABEL = 2,
  BRISTLE_PART_MARKER = 3,
  BRISTLE_PART_PICTURE = 4,
  BRISTLE_PART_ICON = 5
} bristle_part_type;

typedef struct bristle_part {
  size_t size; /* sizeof(bristle_part) */
  const char *id;
  int type;               /* bristle_part_type */
  double x, y, w, h;      /* its rectangle in the item's own px, from the box's corner: before
                             `scale` of the item, and before `motion` */
  double opacity;         /* 0-1, with how far it is shown, without that of the whole */
  bristle_matrix motion;  /* about its own pivot; of the whole: of all parts together */
} bristle_part;
/* The parts of a button or of what stands still, in painting order, as they look now. */
BRISTLE_API bristle_code bristle_part_at(bristle_run *run, size_t screen, size_t item, size_t part,
                                         bristle_part *out);

typedef struct bristle_shadow {
  double dx, dy, blur, spread; /* px; blur is twice the standard deviation */
  bristle_colour colour;       /* with an alpha of 0 there is none */
} bristle_shadow;

/*
 * What a property of a part is at this moment; `property` by its key in the project file, for
 * example "borderWidth". BRISTLE_NOT_THERE: that sort of part has no such property.
 */
BRISTLE_API bristle_code bristle_look_number(bristle_run *run, size_t screen, size_t item,
                                             size_t part, const char *property, double *out);
BRISTLE_API bristle_code bristle_look_text(bristle_run *run, size_t screen, size_t item,
                                           size_t part, const char *property, const char **out);
BRISTLE_API bristle_code bristle_look_colour(bristle_run *run, size_t screen, size_t item,
                                             size_t part, const char *property,
                                             bristle_colour *out);
BRISTLE_API bristle_code bristle_look_fill(bristle_run *run, size_t screen, size_t item,
                                           size_t part, const char *property, bristle_fill *out);
BRISTLE_API bristle_code bristle_look_shadow(bristle_run *run, size_t screen, size_t item,
                                             size_t part, const char *property,
                                             bristle_shadow *out);
/* Corners from the upper left clockwise, sides from the top clockwise. */
BRISTLE_API bristle_code bristle_look_four(bristle_run *run, size_t screen, size_t item,
                                           size_t part, const char *property, double out[4]);

/* -- values and routes ------------------------------------------------------------------------- */

BRISTLE_API bristle_code bristle_value_get(const bristle_run *run, const char *value, double *out);
/* As an event of the host at `at`: what depends on it follows at once. */
BRISTLE_API bristle_code bristle_value_set(bristle_run *run, int64_t at, const char *value,
                                           double number);
/* The id of the button that has focus; "" where none has. */
BRISTLE_API const char *bristle_focus(bristle_run *run);
/*
 * Where a move from a button of the screen on top would lead; "" where nowhere. `how`, which may be
 * null, says why in a few words.
 */
BRISTLE_API bristle_code bristle_route(bristle_run *run, const char *from,
                                       bristle_direction direction, const char **to,
                                       const char **how);

#ifdef __cplusplus
}
#endif

#endif
