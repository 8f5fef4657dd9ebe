<h1>Lucky Thistle</h1>
