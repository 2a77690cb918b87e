#include "core/findings/rule_info.h"

#include <algorithm>
#include <array>

namespace bristle {

std::span<const RuleInfo> ruleInfos() {
  using enum Severity;
  using enum RuleGroup;
  static const RuleInfo kInfos[] = {
      {"reference", References, Error, "What is referred to is there.",
       "Whatever depends on it does nothing, or not what was meant."},
      {"sound", References, Error, "A sound can be played.",
       "Players hear nothing where they should hear something."},
      {"picture", References, Error, "A picture can be shown.", "A stand-in is seen in its place."},
      {"picture-large", References, Note, "A picture is about as large as it is shown.",
       "It takes memory and time to load for what nobody sees."},
      {"picture-sizes", References, Note, "The pictures of a button's states are equally large.",
       "The button jumps, or is stretched, when it changes."},
      {"sound-clips", References, Note, "A sound is not cut off where it is loudest.",
       "It crackles."},
      {"font-closed", References, Warning, "Fonts may be carried along.",
       "Whoever delivers the menu breaks the terms of the font's maker.",
       "OpenType 1.9, OS/2, fsType"},
      {"unused", References, Note, "What there is is used.",
       "What nothing uses is delivered and looked after all the same."},
      {"unseen", Looks, Warning, "A button can be seen in every state.",
       "A button that vanishes is taken for gone."},
      {"contrast", Looks, Warning, "A caption stands out from what is behind it.",
       "It cannot be read by weak eyes, in sunlight, from afar.", "WCAG 2.2 §1.4.3"},
      {"contrast-between", Looks, Note, "A caption can be read while its button changes, too.",
       "For a moment it is gone, and eyes are drawn to where it was.", "WCAG 2.2 §1.4.3"},
      {"told-apart", Looks, Warning, "States that must differ can be told apart, by everybody.",
       "Those who see colours otherwise cannot tell where they are, or that they pressed.",
       "WCAG 2.2 §1.4.1"},
      {"focus-look", Looks, Warning, "Focus can be seen.",
       "With keys and controller nobody knows where they are.", "WCAG 2.2 §2.4.13"},
      {"focus-covered", Looks, Warning, "Nothing covers a button that can have focus.",
       "With keys and controller focus goes where nobody sees it.", "WCAG 2.2 §2.4.11"},
      {"hit-size", Hitting, Warning, "A button is large enough to be hit.",
       "Small targets are missed by fingers, on the move, and by hands that tremble.",
       "WCAG 2.2 §2.5.8"},
      {"hit-overlap", Hitting, Note, "Hit areas do not lie over each other.",
       "A touch at the seam presses whichever lies on top."},
      {"hit-near", Hitting, Note, "Hit areas keep their distance.",
       "A finger that is a little off presses the neighbour.", "WCAG 2.2 §2.5.8"},
      {"caption-cut", Texts, Warning, "A caption can be read in full.",
       "What is cut is guessed at, in the language that was not looked at."},
      {"small-text", Texts, Warning, "A caption can be read from where people sit.",
       "What is too small is guessed at, or not read at all.", "ISO 9241-303"},
      {"missing-letters", Texts, Note, "A font has the letters of its captions.",
       "Another font stands in, which looks otherwise and may be missing elsewhere."},
      {"untranslated", Texts, Warning, "A text is there in every language.",
       "Those who read that language meet another one."},
      {"placeholder", Texts, Warning, "No placeholder words are left.",
       "They are delivered as they stand."},
      {"wrong-direction", Texts, Warning, "A text is written the way its language reads.",
       "Words of another script read in the wrong order, or were put in the wrong column."},
      {"accessible name", Names, Warning, "A screen reader can say what a button is.",
       "Those who do not see it cannot tell what it does.", "WCAG 2.2 §4.1.2"},
      {"label-in-name", Names, Warning, "The accessible name has the caption in it.",
       "Those who speak to their device say what they read, and nothing happens.",
       "WCAG 2.2 §2.5.3"},
      {"same-name", Names, Warning, "Two buttons of one screen have two names.",
       "Said or heard, they cannot be told apart.", "WCAG 2.2 §2.4.6"},
      {"no-description", Names, Note, "What a picture alone shows is described.",
       "Those who do not see the picture know its name, and no more.", "WCAG 2.2 §1.1.1"},
      {"machine", Machines, Error, "A machine can run.",
       "Buttons with it do not react as they were drawn."},
      {"law", Machines, Error, "A machine keeps the ten laws.",
       "Some order of input leaves the button wrong."},
      {"unproved", Machines, Note, "The laws of a machine can be proved.",
       "What could not be looked at may go wrong for somebody."},
      {"slow-answer", Machines, Warning, "Something is seen at once when a button is used.",
       "After a tenth of a second people press again, or think that it hangs."},
      {"flashes", Machines, Error, "Nothing flashes more than three times a second.",
       "Flashing brings on seizures.", "WCAG 2.2 §2.3.1"},
      {"endless-motion", Machines, Note, "What nobody uses comes to rest.",
       "Those who are easily distracted cannot read beside it.", "WCAG 2.2 §2.2.2"},
      {"focus start", Routes, Warning, "A screen says where focus starts.",
       "With keys and controller the menu seems dead at first."},
      {"reach", Routes, Error, "The directions lead from every button to every other.",
       "Without a pointer a button cannot be had, or not be left."},
      {"cluster", Routes, Warning, "Focus comes into a cluster and out of it as it says.",
       "Focus is caught, or passes by."},
      {"odd-pin", Routes, Note, "What is pinned leads where people expect.",
       "Focus goes where nobody looks for it."},
      {"odd-wrap", Routes, Note, "Round the edge one stays in the row or the column.",
       "Focus turns up somewhere else, and is lost sight of."},
      {"display-routes", Routes, Note, "Directions lead to the same on every display.",
       "Who plays on two devices has learnt the way for nothing."},
      {"binding", Routes, Error,
       "Keys and controller buttons do one thing each, and all that is needed.",
       "A key does something else than people expect, or nothing presses a button."},
      {"action", Flow, Error, "What a button does can be done.",
       "Pressing it does nothing, or half of it."},
      {"no-way-in", Flow, Warning, "Something leads to every screen.", "Nobody will ever see it."},
      {"no-way-out", Flow, Warning, "Something leads out of every screen.",
       "Players can only end the program."},
      {"idle-button", Flow, Note, "A button does something.", "People press it and wait."},
      {"condition", Flow, Error, "What is asked of values can be answered.",
       "What depends on it never shows, or always does."},
      {"steady-condition", Flow, Note, "A condition may hold, or not.",
       "What depends on it never shows, or need not have been asked."},
      {"value", Flow, Note, "What is asked for is set somewhere, and what is set is asked for.",
       "A condition on it never changes, or nothing comes of setting it."},
      {"too-small", Layout, Warning, "A container holds what is in it.",
       "What is in it reaches over what lies beside it."},
      {"outside", Layout, Warning, "What is placed is on the display.", "It is never seen there."},
      {"beyond", Layout, Warning, "Nothing reaches beyond the display.",
       "A part of it is never seen there."},
      {"unsafe", Layout, Warning, "Buttons keep to the safe area.",
       "Television sets cut the edges off, and thumbs cover them."},
      {"blocked", Layout, Warning, "Nothing lies under a notch or a round corner.",
       "There it is neither seen nor felt."},
      {"unpinned", Layout, Note, "What is placed says what it keeps to.",
       "On a display of another shape it stays where it was drawn."},
      {"unlocked", Layout, Note, "A background is locked.",
       "It is picked by mistake whenever something on it is meant."},
      {"uneven-row", Consistency, Note, "Buttons of one row are equally high.",
       "One that is higher than its sisters looks like a mistake."},
      {"odd-alignment", Consistency, Note, "Captions that stand together are aligned alike.",
       "The eye has to look for where each begins."},
      {"has-a-name", Consistency, Note, "What has a name is used by its name.",
       "When the named value changes, what was typed stays behind."},
      {"near-twins", Consistency, Note, "What is nearly the same is the same.",
       "Values that drift apart have to be changed one by one."},
  };
  return kInfos;
}

const RuleInfo& infoOf(std::string_view rule) {
  const auto all = ruleInfos();
  const auto at =
      std::find_if(all.begin(), all.end(), [&](const RuleInfo& each) { return each.name == rule; });
  static const RuleInfo kNone{"", RuleGroup::References, Severity::Note, "", ""};
  return at == all.end() ? kNone : *at;
}

std::string_view nameOf(RuleGroup group) {
  static constexpr std::array<std::string_view, 10> kNames{
      "References", "Looks",  "Size and distance", "Texts", "Names", "Machines", "Routes",
      "Flow",       "Layout", "Consistency"};
  return kNames[static_cast<size_t>(group)];
}

}  // namespace bristle
