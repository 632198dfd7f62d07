<h1>Shelf</h1>
