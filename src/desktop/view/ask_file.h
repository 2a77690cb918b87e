// Asks where something is to be saved. The name gets its ending first and the question whether what
// is there may be written over comes after, so that nothing is lost to a name typed without its
// ending.
#pragma once
#include <QString>

class QWidget;

namespace bristle {

// `ending` with its dot, ".bristle". Empty when the person thought better of it. `never` is a file
// that may not be written over whatever is answered: the project that is open.
QString askWhereToSave(QWidget* parent, const QString& title, const QString& start,
                       const QString& filter, const QString& ending, const QString& never = {});
QString withEnding(const QString& path, const QString& ending);
// Whether two paths lead to one file; a file that is not there is none.
bool isSameFile(const QString& a, const QString& b);

}  // namespace bristle
