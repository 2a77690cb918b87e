// Kinds made from picture files: several at once, matched up by their names; SVG by its groups.
#pragma once
#include <QStringList>

class QWidget;

namespace bristle {

class Work;

// Files that are not in the project's folder are copied into its art folder. With a screen picked,
// a button of each stands on it, side by side. False, and told why, where nothing was made.
bool kindsFromFiles(Work& work, const QStringList& paths);
bool kindsFromFilesAsked(Work& work, QWidget* parent);

}  // namespace bristle
