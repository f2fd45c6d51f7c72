package store

import "errors"

// errLocked: somebody else holds the lock.
var errLocked = errors.New("locked by another program")

// lockError says why the lock of a database could not be had.
func lockError(path string, err error) error {
	if errors.Is(err, errLocked) {
		return &Error{"open", path, ErrInUse, err, "Another Zesty Thicket has this database open. Use that one, or stop it first; one program at a time may write to it."}
	}
	return &Error{"open", path, ErrReadOnly, err, "The folder of the database can't be written to; nothing was changed, and nothing says that the file is damaged. Make the folder writable, or copy the file to one that is."}
}
