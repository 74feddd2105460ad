package app

import (
	"crypto/rand"
	"crypto/sha256"
	"encoding/base64"
)

// keyBytes is how long a secret key is: 192 bits.
const keyBytes = 24

// SecretKey is a key that nobody can guess, for an address.
func SecretKey() (string, error) {
	raw := make([]byte, keyBytes)
	if _, err := rand.Read(raw); err != nil {
		return "", err
	}
	return base64.RawURLEncoding.EncodeToString(raw), nil
}

// SecretHash is what is stored of a key of some kind: who reads the database cannot use it.
func SecretHash(kind, key string) []byte {
	sum := sha256.Sum256([]byte(kind + "\x00" + key))
	return sum[:]
}
