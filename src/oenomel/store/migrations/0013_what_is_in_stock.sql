-- The one definition of "in stock": on the shelf and not out, or an open lot with something left. Tap water always is.
CREATE VIEW in_stock AS
SELECT slug FROM shelf WHERE state <> 'out'
UNION SELECT slug FROM lot WHERE used_up_at IS NULL AND (left_ml IS NULL OR left_ml > 0)
UNION SELECT 'still-water';
